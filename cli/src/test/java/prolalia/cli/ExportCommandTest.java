package prolalia.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.Placed;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.LessonArchive;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

class ExportCommandTest {
    private static final String WORDS = "A bean sleeps in the dry soil until the rain comes.";

    @TempDir
    private Path folder;

    private String said;

    private int export(Path archive, String as, Path out) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PrintStream before = System.err;
        System.setErr(new PrintStream(bytes, true, StandardCharsets.UTF_8));
        try {
            return Commands.commandLine().execute("export", archive.toString(), "--as", as, "-o", out.toString());
        } finally {
            System.setErr(before);
            said = bytes.toString(StandardCharsets.UTF_8);
        }
    }

    /** An archive with an original alone: what is heard is to be made of it. */
    private Path archive() throws Exception {
        Sound voice = SoundReader.decode(Path.of("../app/src/main/resources/demo/bean-1b.ogg"), 60_000)
                .sound();
        Path flac = folder.resolve("voice.flac");
        SoundWriter.writeFlac(voice, flac);
        ArchivedTake take = new ArchivedTake(
                "takes/voice.flac", null, WORDS, new Span(0, voice.durationMs()), List.of(), true, false, null);
        ArchivedTake beginning =
                new ArchivedTake("takes/voice.flac", null, "A bean", new Span(0, 1200), List.of(), true, false, null);
        ArchivedLine line =
                new ArchivedLine("l", LineKind.PASSAGE, WORDS, null, null, null, null, null, null, null, List.of(take));
        ArchivedLine part = new ArchivedLine(
                "m", LineKind.PASSAGE, "A bean", null, null, null, null, null, null, null, List.of(beginning));
        ArchivedLesson lesson = new ArchivedLesson(
                "Beans",
                LessonSettings.USUAL,
                Placed.NOTHING,
                Map.of(),
                Map.of(),
                List.of(new ArchivedPage("p", null, null, Placed.NOTHING, null, List.of(line, part))));
        Path zip = folder.resolve("lesson.zip");
        try (OutputStream out = Files.newOutputStream(zip)) {
            LessonArchive.write(lesson, Map.of("takes/voice.flac", flac), out);
        }
        return zip;
    }

    private String inside(Path zip, String name) throws Exception {
        try (ZipFile opened = new ZipFile(zip.toFile())) {
            return new String(opened.getInputStream(opened.getEntry(name)).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void anArchiveGoesOutInEveryFormWithItsWordsTimed() throws Exception {
        Path archive = archive();
        Path web = folder.resolve("web.zip");
        assertThat(export(archive, "web", web)).as(said).isZero();
        assertThat(inside(web, "Beans/sound/p1-01.vtt")).contains("<00:00:0", "soil");
        assertThat(inside(web, "Beans/sound/p1-02.mp3").length())
                .as("another part of the same recording is another sound")
                .isLessThan(inside(web, "Beans/sound/p1-01.mp3").length() / 2);
        Path book = folder.resolve("book.epub");
        assertThat(export(archive, "epub", book)).as(said).isZero();
        assertThat(inside(book, "EPUB/page-1.smil").split("<par>", -1)).hasSize(14);
        Path slides = folder.resolve("slides.pptx");
        assertThat(export(archive, "PPTX", slides)).as(said).isZero();
        assertThat(inside(slides, "ppt/slides/slide1.xml")).contains("togglePause", WORDS);
    }

    @Test
    void whatIsNoArchiveIsSaidSoAndWhatWasThereStays() throws Exception {
        Path out = Files.writeString(folder.resolve("out.zip"), "was here before");
        byte[] whole = Files.readAllBytes(archive());
        Path cut = Files.write(folder.resolve("cut.zip"), Arrays.copyOf(whole, whole.length - 500));
        assertThat(export(cut, "web", out)).isEqualTo(1);
        assertThat(said).contains("only a part").contains("Nothing was written");
        assertThat(export(folder.resolve("gone.zip"), "web", out)).isEqualTo(1);
        assertThat(out).hasContent("was here before");
    }
}
