package prolalia.app.classroom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.STUDENT;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.platform.DataFolder;
import prolalia.app.storage.StorageSweeper;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** Who was deleted is in no file any more, whatever her life here was, and stays deleted when an older copy of the data comes back. */
class StudentFileTest extends RunningHouse {
    @Autowired
    private StudentFile file;

    @Autowired
    private StorageSweeper sweeper;

    @Autowired
    private DataFolder folder;

    @Autowired
    private DSLContext writing;

    private final Random hiss = new Random();
    private Visitor ines;
    private String from;
    private String to;

    @BeforeAll
    void classes() throws Exception {
        ines = Visitor.ines(base());
        from = Visitor.newClass(ines, "Godwits");
        to = Visitor.newClass(ines, "Turnstones");
    }

    private String student(String name) throws Exception {
        ines.form("/classes/" + from + "/students", "names", name);
        return Visitor.first(
                ines.page("/classes/" + from),
                "/classes/" + from + "/students/([^\"]+)\"(?:(?!</li>)[\\s\\S])*?" + name);
    }

    private String nameLine(String student, String schoolClass) {
        return writing.select(CLASS_STUDENT.NAME_LINE_ID)
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.STUDENT_ID.eq(student), CLASS_STUDENT.CLASS_ID.eq(schoolClass))
                .fetchSingle()
                .value1();
    }

    /** Her name is said by a voice of its own; answers the names of the files that hold it. */
    private List<String> voiced(String line) throws Exception {
        byte[] sound = readAloud(0.1, "bean-2c");
        for (int i = 100; i < sound.length; i += 2) {
            sound[i] ^= (byte) (hiss.nextInt() & 31);
        }
        String take = Visitor.first(ines.record(line, "name.wav", sound), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        assertThat(ines.get("/takes/" + take + "/sound.mp3").statusCode()).isEqualTo(200);
        var row = writing.fetchOne(
                "SELECT original_hash, sound_hash, (SELECT raw_hash FROM spoken"
                        + " WHERE spoken.id = take.recording_id) FROM take WHERE id = ?",
                take);
        List<String> files = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            if (row.get(i) != null) {
                files.add(row.get(i, String.class));
            }
        }
        return files;
    }

    private void delete(String student, String schoolClass, String name) throws Exception {
        ines.form("/classes/" + schoolClass + "/students/" + student + "/delete", "sure", name);
    }

    /** Of what somebody writes for a moment nothing is left when it is gone. */
    private static String contentOf(Path file) throws IOException {
        try {
            return Files.size(file) > 64 << 20 ? "" : new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1);
        } catch (NoSuchFileException gone) {
            return "";
        }
    }

    /** In which files of the data folder some words, or a file of that name, are found. */
    private Set<String> found(String... words) throws IOException {
        Set<String> found = new TreeSet<>();
        try (Stream<Path> all = Files.walk(folder.root())) {
            for (Path each : all.filter(Files::isRegularFile).toList()) {
                String content = contentOf(each);
                for (String word : words) {
                    if (content.contains(word) || each.getFileName().toString().equals(word)) {
                        found.add(word + " in " + folder.root().relativize(each));
                    }
                }
            }
        }
        return found;
    }

    /** Each of twelve lives, and what is left of it. */
    @Test
    void nothingIsLeftOfADeletedChildWhateverHerLifeWas() throws Exception {
        Map<Life, String[]> left = new EnumMap<>(Life.class);
        for (Life life : Life.values()) {
            String name = "Zq" + life.ordinal() + "wendolyn";
            String student = student(name);
            List<String> traces = new ArrayList<>(List.of(name));
            String nameLine = nameLine(student, from);
            traces.add(nameLine);
            traces.addAll(voiced(nameLine));
            String at = "/classes/" + from + "/students/" + student;
            String in = from;
            switch (life) {
                case PLAIN, READ_MEANWHILE, KILLED -> {}
                case MOVED -> {
                    ines.form(at + "/move", "target", to);
                    in = to;
                }
                case IN_TWO -> {
                    ines.form(at + "/move", "target", to, "stays", "true");
                    traces.addAll(voiced(nameLine(student, to)));
                }
                case BACK_AGAIN -> {
                    ines.form(at + "/move", "target", to);
                    ines.form("/classes/" + to + "/students/" + student + "/move", "target", from);
                    traces.addAll(voiced(nameLine(student, from)));
                }
                case RENAMED -> {
                    ines.form(at + "/name", "name", "Neu" + name);
                    name = "Neu" + name;
                    traces.add(name);
                }
                case NEW_KEY -> ines.form("/classes/" + from + "/keys", "student", student);
                case TAKEN_OUT ->
                    assertThat(ines.get(at + "/all.zip").statusCode()).isEqualTo(200);
                case TAKEN_TWICE -> traces.addAll(voiced(nameLine));
                case WRITTEN -> ines.putForm("/lines/" + nameLine + "/words", "revision", "1", "words", name + "!");
                case ANSWERED -> {
                    String line = ines.newLine("Who are you?");
                    String lesson = ines.lessonOf(line);
                    ines.putForm("/lines/" + line + "/question/kind", "by", "SHORT_WORDS");
                    String given = Visitor.first(
                            ines.form("/lessons/" + lesson + "/give", "to", from)
                                    .uri()
                                    .getQuery(),
                            "given=([^&]+)");
                    Visitor she = Visitor.child(ines, from, student);
                    she.send(
                            "PUT",
                            "/my/" + given + "/answers/" + line + "/" + UUID.randomUUID(),
                            "application/json",
                            ("{\"typed\":\"I am " + name + "\"}").getBytes(StandardCharsets.UTF_8));
                }
                default -> throw new IllegalStateException(life.name());
            }
            assertThat(found(name)).as(life.name()).isNotEmpty();
            if (life == Life.READ_MEANWHILE) {
                try (Connection reader = DriverManager.getConnection("jdbc:sqlite:" + folder.database());
                        Statement older = reader.createStatement()) {
                    reader.setAutoCommit(false);
                    older.executeQuery("SELECT count(*) FROM student").next();
                    delete(student, in, name);
                }
            } else if (life == Life.KILLED) {
                // Between the rows and the files: as a server finds it that starts after that.
                Path voice =
                        folder.media().resolve(traces.get(2).substring(0, 2)).resolve(traces.get(2));
                byte[] content = Files.readAllBytes(voice);
                delete(student, in, name);
                Files.write(voice, content);
                writing.execute(
                        "INSERT INTO must_go VALUES ('file', ?, ?), ('log', '', 0)",
                        traces.get(2),
                        System.currentTimeMillis() + 1);
                sweeper.goOn();
            } else {
                delete(student, in, name);
            }
            left.put(life, traces.toArray(String[]::new));
        }
        // What somebody still reads, or what may just be coming in for somebody else, goes some seconds later.
        for (Map.Entry<Life, String[]> each : left.entrySet()) {
            await().atMost(Duration.ofSeconds(20))
                    .untilAsserted(() -> assertThat(found(each.getValue()))
                            .as(each.getKey().name())
                            .isEmpty());
        }
        assertThat(ines.page("/school/log")).contains("Ines Faro");
    }

    private enum Life {
        PLAIN,
        MOVED,
        IN_TWO,
        BACK_AGAIN,
        RENAMED,
        NEW_KEY,
        TAKEN_OUT,
        TAKEN_TWICE,
        WRITTEN,
        ANSWERED,
        READ_MEANWHILE,
        KILLED
    }

    @Test
    void aNameThatIsAPartOfAnotherStaysInTheLog() throws Exception {
        String ann = student("Ann");
        String anna = student("Anna Bell");
        ines.form("/classes/" + from + "/students/" + anna + "/name", "name", "Anna Ann");
        delete(ann, from, "Ann");
        assertThat(ines.page("/school/log")).contains("Anna Ann");
        delete(anna, from, "Anna Ann");
        assertThat(ines.page("/school/log")).doesNotContain("Anna");
    }

    @Test
    void whoWasDeletedIsDeletedAgainWhenABackupBringsHerBack() throws Exception {
        String id = Visitor.newClass(ines, "Backups");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "Ada\nBo");
        String ada = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        var student = writing.fetchSingle(STUDENT, STUDENT.ID.eq(ada));
        var place = writing.fetchSingle(CLASS_STUDENT, CLASS_STUDENT.STUDENT_ID.eq(ada));
        String boLine = writing.select(CLASS_STUDENT.NAME_LINE_ID)
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.CLASS_ID.eq(id), CLASS_STUDENT.STUDENT_ID.ne(ada))
                .fetchSingle()
                .value1();
        ines.form(at + "/students/" + ada + "/delete", "sure", "Ada");
        assertThat(ines.page(at)).doesNotContain("Ada");
        // As an older copy of the database has her, in a line that is there.
        student.changed(true);
        writing.executeInsert(student);
        place.setNameLineId(boLine);
        place.changed(true);
        writing.executeInsert(place);
        assertThat(ines.page(at)).contains("Ada");
        file.afterSingletonsInstantiated();
        assertThat(ines.page(at)).doesNotContain("Ada");
        String bo = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        ines.form(at + "/students/" + bo + "/delete", "sure", "Bo");
        ines.form(at + "/remove");
    }
}
