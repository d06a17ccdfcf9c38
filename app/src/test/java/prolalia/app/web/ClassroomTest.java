package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.platform.DataFolder;

/** A class, its door, and what its children meet behind it. */
class ClassroomTest extends RunningHouse {
    @Autowired
    private DataFolder folder;

    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    private String student(String at, String name) throws Exception {
        return Visitor.first(ines.page(at), "students/([^\"]+)\">(?:(?!</a>).)*<b dir=\"auto\">" + name + "</b>");
    }

    private static String door(Visitor teacher, String at) throws Exception {
        return Visitor.first(teacher.page(at + "/door"), "/door/([\\w-]{20,})\"");
    }

    private static HttpResponse<byte[]> press(Visitor child, String door, String student, String key) throws Exception {
        return child.form("/door/" + door + "/" + student, "key", key);
    }

    @Test
    void twentyEightChildrenAreInFourGroupsByOnePressAndDealtAgainByAnother() throws Exception {
        String id = Visitor.newClass(ines, "Knots");
        String groups = "/classes/" + id + "/groups";
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < 28; i++) {
            names.append("Child ").append((char) ('A' + i % 26)).append(i).append('\n');
        }
        ines.form("/classes/" + id + "/students", "names", names.toString());
        ines.form(groups, "name", "Readers");
        for (int time = 0; time < 2; time++) {
            String dealt = Visitor.text(ines.form(groups + "/by-chance", "count", "4"));
            assertThat(Visitor.all(dealt, "value=\"(Group \\d|Readers)\""))
                    .containsExactlyInAnyOrder("Group 1", "Group 2", "Group 3", "Group 4", "Readers");
            assertThat(dealt.split("checked=\"checked\"", -1)).hasSize(29);
        }
        ines.form("/classes/" + id + "/remove");
    }

    @Test
    void aChildHearsWhatWasGivenToHerAndHerTeacherSeesHowFarSheCame() throws Exception {
        String id = Visitor.newClass(ines, "Sandpipers");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "1. Mara Lind\n\n• ליאור\nMara Lind\n" + "x".repeat(300));
        assertThat(ines.page(at))
                .contains("ליאור", "same name: the ", "x".repeat(200))
                .doesNotContain("x".repeat(201));
        String mara = student(at, "Mara Lind");
        Visitor child = Visitor.child(ines, id, mara);
        assertThat(child.page("/my")).contains("Mara Lind", "There is nothing to do now");
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        ines.form("/lessons/" + bean + "/give", "to", id, "direction", "Look at the root.", "pages", "1-2");
        String assignment = Visitor.first(child.page("/my"), "class=\"task\" href=\"/my/([^\"]+)\"");
        assertThat(child.page("/my")).contains("How a bean wakes up", "Look at the root.");
        String page = child.page("/my/" + assignment);
        assertThat(page).contains("Point to the seed", "data-heard=\"/my/" + assignment + "/heard/\"");
        String line = Visitor.first(page, "data-line=\"([^\"]+)\"");
        String sound = Visitor.first(page, "data-sound=\"([^\"]+)\"");
        assertThat(child.get(sound).statusCode()).isEqualTo(200);
        assertThat(child.form("/my/" + assignment + "/heard/" + line).statusCode())
                .isEqualTo(204);
        assertThat(child.get("/my/" + assignment + "/3").uri().getPath()).contains("/my/");
        waitFor(() -> ines.page(at + "/given/now").contains("1 of 6 lines heard"));
        String bo = student(at, "ליאור");
        ines.form(at + "/students/" + bo + "/accommodation", "hears", "QUESTIONS", "seen", "LARGE", "buttons", "1");
        assertThat(ines.page(at + "/students/" + bo + "/given")).contains("How a bean wakes up", " of 6 voiced lines");
        assertThat(ines.page("/assignments/" + assignment + "/as/" + bo + "/1"))
                .as("as the teacher sees it: larger, by one switch, nothing counted")
                .contains("large-words", "data-switches=\"1\"")
                .doesNotContain("data-heard");
        // For this one, and then for this lesson, something else holds than always; her one switch stays.
        String different = "/assignments/" + assignment + "/different/" + bo;
        String hers = "/assignments/" + assignment + "/as/" + bo + "/1";
        assertThat(Visitor.text(
                        ines.form(different, "of", "GIVING", "hears", "NOTHING", "seen", "SHOWN", "tries", "0")))
                .contains("0 of 6 voiced lines", "different this time");
        assertThat(ines.page(hers)).contains("data-switches=\"1\"").doesNotContain("large-words", "data-sound");
        assertThat(Visitor.text(ines.form(different, "of", "LESSON", "seen", "LARGE", "speed", "60")))
                .contains("6 of 6 voiced lines", "different with this lesson")
                .doesNotContain("different this time");
        assertThat(ines.page(hers)).contains("large-words", "data-speed=\"60\"");
        assertThat(child.page("/my/" + assignment)).as("others hear as ever").contains("data-sound");
        assertThat(Visitor.text(ines.form(different, "of", "ALWAYS"))).doesNotContain("different with");
        ines.form("/assignments/" + assignment + "/take-back");
        assertThat(child.get("/my/" + assignment).statusCode()).isEqualTo(404);
        assertThat(child.get(sound).statusCode()).isEqualTo(404);
        ines.form("/assignments/" + assignment + "/give-again");
        ines.form("/lessons/" + bean + "/give", "to", id, "student", bo);
        assertThat(child.page("/my").split("class=\"task\"").length - 1)
                .as("what was given to somebody else isn't there for her")
                .isEqualTo(1);
        ines.form(at + "/remove");
        assertThat(child.get("/my").statusCode()).isNotEqualTo(500);
        assertThat(child.page("/my")).contains("There is no door here");
    }

    private interface Holds {
        boolean now() throws Exception;
    }

    private static void waitFor(Holds holds) throws Exception {
        long until = System.nanoTime() + 10_000_000_000L;
        while (!holds.now()) {
            assertThat(System.nanoTime()).as("in time").isLessThan(until);
        }
    }

    /** One device guesses without end, at keys and at words; what is right elsewhere is never called wrong. */
    @Test
    void whoGuessesIsSlowedAndNobodyElse() throws Exception {
        String id = Visitor.newClass(ines, "Guessed at");
        String at = "/classes/" + id;
        String names = String.join(
                "\n",
                java.util.stream.IntStream.range(0, 8).mapToObj(i -> "Kid" + i).toList());
        ines.form(at + "/students", "names", names);
        List<String> children = Visitor.all(ines.page(at), at + "/students/([^\"/]+)\"");
        String door = door(ines, at);
        Visitor guesser = new Visitor(base());
        guesser.get("/door/" + door);
        int slowed = 0;
        for (int i = 0; i < 60; i++) {
            String said = Visitor.text(press(guesser, door, children.get(i % children.size()), "no key"));
            slowed += said.contains("Wait a moment") ? 1 : 0;
            guesser.get("/door?word=moon-boat-bell-" + (10 + i));
        }
        assertThat(slowed).isGreaterThan(30);
        String word = Visitor.first(ines.page(at + "/door"), "<b>([a-z]+-[a-z]+-[a-z]+-\\d\\d)</b>");
        assertThat(guesser.page("/door?word=" + word))
                .contains("was not looked at")
                .doesNotContain("opens nothing");
        Visitor tablet = new Visitor(base());
        tablet.get("/door/" + door);
        for (String child : children) {
            press(tablet, door, child, Visitor.key(ines, id, child));
            assertThat(tablet.get("/my").uri().getPath()).isEqualTo("/my");
        }
        assertThat(tablet.get("/door?word=" + word).uri().getPath()).isEqualTo("/door/" + door);
        assertThat(guesser.page("/door/" + door)).as("a look is never refused").contains("Kid3");
    }

    @Test
    void guessingAKeyStopsUntilTheTeacherLetsIn() throws Exception {
        String id = Visitor.newClass(ines, "Guessers");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "Ada\nBo");
        String ada = student(at, "Ada");
        String door = door(ines, at);
        String key = Visitor.key(ines, id, ada);
        String wrong = key.equals("SUN MOON STAR") ? "MOON SUN STAR" : "SUN MOON STAR";
        Visitor guesser = new Visitor(base());
        for (int i = 0; i < 10; i++) {
            assertThat(press(guesser, door, ada, i % 2 == 0 ? wrong : "no key").statusCode())
                    .isEqualTo(422);
        }
        assertThat(Visitor.text(press(guesser, door, ada, key)))
                .as("the right key as well")
                .contains("Ask your teacher to let you in");
        assertThat(ines.page(at)).contains("The key was wrong ten times", "Let in");
        String choir = Visitor.newClass(ines, "Guessers' choir");
        ines.form(at + "/students/" + ada + "/move", "target", choir, "stays", "true");
        assertThat(ines.page("/classes/who-waits"))
                .contains("Guessers, Guessers&#39; choir", "waits at the door")
                .containsOnlyOnce(">Ada<");
        ines.form("/classes/" + choir + "/remove");
        Visitor bo = Visitor.child(ines, id, student(at, "Bo"));
        assertThat(bo.page("/my")).as("nobody else is kept out").contains("Bo");
        Visitor tablet = new Visitor(base());
        tablet.get("/door/" + door);
        press(tablet, door, ada, key);
        assertThat(tablet.page("/my")).as("neither is she at another tablet").contains("Ada");
        ines.form("/classes/let-all-in", "back", at);
        assertThat(ines.page("/classes/who-waits")).doesNotContain("Ada");
        press(guesser, door, ada, key);
        assertThat(guesser.page("/my")).contains("Ada");
        ines.form(at + "/keys", "student", ada);
        assertThat(guesser.page("/my")).as("a new key, and she is out").contains("There is no door here");
        assertThat(Visitor.key(ines, id, ada)).isNotEqualTo(key);
        ines.form(at + "/door/renew");
        assertThat(new Visitor(base()).get("/door/" + door).statusCode())
                .as("the card of last year")
                .isEqualTo(404);
        String word = Visitor.first(ines.page(at + "/door"), "<b>([a-z]+-[a-z]+-[a-z]+-\\d\\d)</b>");
        assertThat(new Visitor(base()).page("/door?word=" + word.toUpperCase().replace("-", "%20")))
                .contains("Ada", "Bo");
        ines.form(at + "/remove");
    }

    @Test
    void aRosterIsLookedOverBeforeAnythingOfItIsKept() throws Exception {
        String id = Visitor.newClass(ines, "Listed");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "Jörg Groß\nGone Away");
        String csv =
                "Nr;Vorname;Nachname;Klasse\r\n1;Jörg;Gross;Listed\r\n2;Zoë;Öz;Listed\r\n3;=HYPERLINK(1);;Listed\r\n";
        HttpResponse<byte[]> sent = ines.send(
                "PUT", at + "/roster", "application/octet-stream", csv.getBytes(Charset.forName("windows-1252")));
        String preview = Visitor.first(Visitor.text(sent), "\"at\":\"([^\"]+)\"");
        String shown = ines.page(preview);
        assertThat(shown).contains("1 new · 1 renamed", "1 gone", "not a name", "Zoë Öz", "up to now Jörg Groß");
        assertThat(ines.page(at)).as("nothing is kept as yet").doesNotContain("Zoë Öz");
        ines.form(preview, "chosen", "Listed", "taking", "0", "taking", "1", "taking", "2");
        assertThat(ines.page(at)).contains("Jörg Gross", "Zoë Öz", "Gone Away").doesNotContain("HYPERLINK");
        for (String broken : new String[] {"", "a,b\n1,2\n", "PK\u0003\u0004nothing"}) {
            assertThat(Visitor.text(ines.send(
                            "PUT",
                            at + "/roster",
                            "application/octet-stream",
                            broken.getBytes(StandardCharsets.ISO_8859_1))))
                    .contains("\"why\":\"");
        }
        ines.form(at + "/remove");
    }

    @Test
    void whoIsDeletedIsNowhereInTheDataAnyMore() throws Exception {
        String id = Visitor.newClass(ines, "Forgotten");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "Quillon Brandywine");
        String student = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        String script = Visitor.first(ines.page(at), "href=\"(/lessons/[^\"/]+)\"");
        String line = Visitor.first(ines.page(script), "data-line=\"([^\"]+)\"");
        byte[] voice = Files.readAllBytes(voice("bean-2d"));
        String take = Visitor.first(ines.record(line, "name.wav", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        HttpResponse<byte[]> out = ines.get(at + "/students/" + student + "/all.zip");
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(out.body()))) {
            ZipEntry page = zip.getNextEntry();
            assertThat(page.getName()).isEqualTo("index.html");
            assertThat(new String(zip.readAllBytes(), StandardCharsets.UTF_8)).contains("Quillon Brandywine");
            assertThat(zip.getNextEntry().getName()).isEqualTo("name.mp3");
        }
        assertThat(Visitor.text(ines.form(at + "/students/" + student + "/delete", "sure", "somebody")))
                .contains("That is not the name. Nothing was deleted.");
        String sound = Visitor.first(ines.page("/lines/" + line + "/takes"), "/takes/([^/]+)/sound.mp3");
        assertThat(ines.get("/takes/" + sound + "/sound.mp3").statusCode()).isEqualTo(200);
        assertThat(ines.page("/school/log")).contains("Quillon Brandywine");
        ines.form(at + "/students/" + student + "/delete", "sure", "quillon brandywine");
        assertThat(ines.page("/school/log")).doesNotContain("Quillon Brandywine");
        assertThat(ines.page(at)).doesNotContain("Quillon");
        assertThat(ines.get("/takes/" + sound + "/sound.mp3").statusCode()).isEqualTo(404);
        assertThat(Files.readString(folder.root().resolve("deleted-students"))).contains(student);
        try (var files = Files.walk(folder.root())) {
            assertThat(files.filter(Files::isRegularFile).filter(file -> holds(file, "Quillon")))
                    .as("her name is in no file")
                    .isEmpty();
        }
        ines.form(at + "/remove");
    }

    private static boolean holds(Path file, String name) {
        try {
            return new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).contains(name);
        } catch (IOException gone) {
            return false;
        }
    }

    @Test
    void aCopyOfALessonIsOnesOwn() throws Exception {
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        String copy = ines.form("/lessons/" + bean + "/copy").uri().getPath();
        assertThat(ines.page(copy)).contains("Copy of How a bean wakes up", "6 of 7 voiced");
        String shown = ines.page(copy + "/student/1");
        assertThat(shown).contains("on-words");
        assertThat(ines.get(Visitor.first(shown, "data-sound=\"([^\"]+)\"")).statusCode())
                .isEqualTo(200);
        String line = Visitor.first(ines.page(copy), "data-line=\"([^\"]+)\"");
        assertThat(ines.page("/lessons/" + bean)).doesNotContain(line);
        ines.form(copy + "/remove");
    }
}
