package prolalia.formats.archive;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.place.Area;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;
import prolalia.formats.archive.ArchiveRefusedException.Reason;
import prolalia.formats.archive.ArchivedLesson.ArchivedEdit;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.ArchivedLesson.ArchivedWord;

class LessonArchiveTest {
    @TempDir
    Path folder;

    private Path archived(ArchivedLesson lesson) throws Exception {
        Path flac = Files.write(folder.resolve("a.flac"), new byte[5000]);
        Path zip = folder.resolve("lesson.zip");
        try (OutputStream out = Files.newOutputStream(zip)) {
            LessonArchive.write(lesson, Map.of("takes/a.flac", flac), out);
        }
        return zip;
    }

    private static ArchivedLesson lesson() {
        List<Edit> edits = List.of(
                new Edit.Ends(new Span(100, 900)),
                new Edit.Cut(new Span(300, 400)),
                new Edit.Pause(500, 250),
                new Edit.Gain(-2.5),
                new Edit.Quieter(true));
        ArchivedTake take = new ArchivedTake(
                "takes/a.flac",
                null,
                "one two",
                new Span(50, 950),
                edits.stream().map(ArchivedEdit::of).toList(),
                true,
                true,
                List.of(new ArchivedWord("one", 0, 10L, 300L)));
        Placed placed = new Placed(
                List.of(
                        new PageElement.Spot("s", new Area(0, 0, 0.1, 0.1), "l", true),
                        new PageElement.Link("k", new Area(0, 0, 0.1, 0.1), "More", "https://a.example", true)),
                PageSettings.USUAL);
        ArchivedLine line = new ArchivedLine(
                "l", LineKind.QUESTION, "one two", null, null, null, null, null, null, null, List.of(take));
        return new ArchivedLesson(
                "Beans",
                LessonSettings.USUAL,
                Placed.NOTHING,
                Map.of(),
                Map.of(),
                List.of(new ArchivedPage("p", "The first", null, placed, null, List.of(line))));
    }

    @Test
    void whatWasWrittenIsReadAgainToTheLastEdit() throws Exception {
        try (LessonArchive archive = LessonArchive.open(archived(lesson()))) {
            assertThat(archive.lesson()).usingRecursiveComparison().isEqualTo(lesson());
            Path out = folder.resolve("out");
            archive.extract("takes/a.flac", out);
            assertThat(out).hasSize(5000);
        }
    }

    private Reason refusal(Path file) throws Exception {
        ArchiveRefusedException refused = catchThrowableOfType(
                ArchiveRefusedException.class, () -> LessonArchive.open(file).close());
        return refused == null ? null : refused.reason();
    }

    private Path zip(Map<String, String> files) throws Exception {
        Path zip = folder.resolve("made.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            for (Map.Entry<String, String> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue().getBytes(UTF_8));
            }
        }
        return zip;
    }

    private Reason refusalOf(String json) throws Exception {
        return refusal(zip(Map.of("lesson.json", json, "takes/a.flac", "x")));
    }

    private static String with(String page) {
        return "{\"format\":\"prolalia-lesson\",\"version\":1,\"title\":\"T\",\"pages\":[" + page + "]}";
    }

    @Test
    void whatIsNoWholeLessonIsRefusedAndToldWhy() throws Exception {
        byte[] whole = Files.readAllBytes(archived(lesson()));
        Path cut = Files.write(folder.resolve("cut.zip"), java.util.Arrays.copyOf(whole, whole.length / 2));
        assertThat(refusal(cut)).isEqualTo(Reason.NO_ARCHIVE);
        assertThat(refusal(Files.writeString(folder.resolve("a.txt"), "no zip")))
                .isEqualTo(Reason.NO_ARCHIVE);
        assertThat(refusal(zip(Map.of("notes.txt", "hello")))).isEqualTo(Reason.NO_LESSON);
        assertThat(refusalOf("{\"format\":\"other\",\"version\":1}")).isEqualTo(Reason.NO_LESSON);
        assertThat(refusalOf("{\"format\":\"prolalia-lesson\",\"version\":2}")).isEqualTo(Reason.NEWER);
        assertThat(refusalOf("{\"format\":\"prolalia-lesson\", oops")).isEqualTo(Reason.UNREADABLE);
        assertThat(refusalOf(with(""))).isNull();
    }

    @Test
    void pathsThatLeadOutOfItsFolderAreRefused() throws Exception {
        for (String path : List.of("../evil.txt", "a/../../b", "/etc/passwd", "C:\\x", "takes\\..\\x")) {
            Map<String, String> files = new LinkedHashMap<>();
            files.put("lesson.json", with(""));
            files.put(path, "x");
            assertThat(refusal(zip(files))).as(path).isEqualTo(Reason.OUTSIDE);
        }
    }

    @Test
    void theLimitsOfEveryLessonHoldForOneThatComesBack() throws Exception {
        String pause =
                "{\"id\":\"p\",\"lines\":[{\"id\":\"l\",\"kind\":\"QUESTION\",\"words\":\"w\",\"takes\":[{\"original\":"
                        + "\"takes/a.flac\",\"trim\":{\"startMs\":0,\"endMs\":9},\"edits\":[{\"kind\":\"PAUSE\",\"startMs\":1,"
                        + "\"endMs\":%s}]}]}]}";
        assertThat(refusalOf(with(pause.formatted("30000")))).isNull();
        for (String ms : List.of("10800000", "1000000000000", "-1")) {
            assertThat(refusalOf(with(pause.formatted(ms)))).as(ms).isEqualTo(Reason.UNREADABLE);
        }
        String line = "{\"id\":\"%s\",\"kind\":\"QUESTION\",\"words\":\"%s\"}";
        String long1 = line.formatted("l", "w".repeat(LessonLimits.LONGEST_WORDS + 1));
        assertThat(refusalOf(with("{\"id\":\"p\",\"lines\":[" + long1 + "]}"))).isEqualTo(Reason.TOO_LARGE);
        String many = IntStream.rangeClosed(0, LessonLimits.MOST_LINES)
                .mapToObj(number -> line.formatted("l" + number, "w"))
                .collect(Collectors.joining(","));
        assertThat(refusalOf(with("{\"id\":\"p\",\"lines\":[" + many + "]}"))).isEqualTo(Reason.TOO_LARGE);
        String pages = IntStream.rangeClosed(0, LessonLimits.MOST_PAGES)
                .mapToObj(number -> "{\"id\":\"p" + number + "\"}")
                .collect(Collectors.joining(","));
        assertThat(refusalOf(with(pages))).isEqualTo(Reason.TOO_LARGE);
    }

    @Test
    void whatWasEditedByHandMustStillMakeSense() throws Exception {
        String take = "{\"original\":\"takes/a.flac\",\"trim\":{\"startMs\":0,\"endMs\":9}%s}";
        String line = "{\"id\":\"p\",\"lines\":[{\"id\":\"l\",\"kind\":\"QUESTION\",\"words\":\"w\",\"takes\":[" + take
                + "]}]}";
        assertThat(refusalOf(with(line.formatted("")))).isNull();
        assertThat(refusalOf(with(line.formatted(",\"edits\":[{\"kind\":\"CUT\"}]"))))
                .isEqualTo(Reason.UNREADABLE);
        assertThat(refusalOf(with(line.formatted(",\"heard\":\"heard/gone.mp3\""))))
                .isEqualTo(Reason.MISSING);
        assertThat(refusalOf(with("{\"lines\":[]}"))).isEqualTo(Reason.UNREADABLE);
        assertThat(refusalOf(with("{\"id\":\"p\"},{\"id\":\"p\"}"))).isEqualTo(Reason.UNREADABLE);
        assertThat(refusalOf(with("null"))).isEqualTo(Reason.UNREADABLE);
        String thing =
                "{\"id\":\"p\",\"placed\":{\"things\":[{\"kind\":\"LINK\",\"id\":\"k\",\"words\":\"w\",\"address\":\"%s\","
                        + "\"area\":{\"x\":0,\"y\":0,\"w\":1,\"h\":1}}]}}";
        assertThat(refusalOf(with(thing.formatted("https://a.example")))).isNull();
        assertThat(refusalOf(with(thing.formatted("javascript:alert(1)")))).isEqualTo(Reason.UNREADABLE);
    }
}
