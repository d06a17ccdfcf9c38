package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Dimension;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Properties;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** The desk, the school's settings, and the words of all pages. */
class DeskTest extends RunningHouse {
    @org.springframework.beans.factory.annotation.Autowired
    private org.jooq.DSLContext writing;

    @Test
    void aLessonTakenOffTheDeskCanBePutBackWithItsLines() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("Keep me");
        String lesson = ines.lessonOf(line);
        String link = ines.linkTo(lesson);
        String desk = Visitor.text(ines.form("/lessons/" + lesson + "/remove"));
        assertThat(desk).contains("off your desk", "/lessons/" + lesson + "/put-back");
        assertThat(ines.get("/lessons/" + lesson).statusCode()).isEqualTo(404);
        assertThat(new Visitor(base()).get(link).statusCode()).isEqualTo(404);
        ines.form("/lessons/" + lesson + "/put-back");
        assertThat(ines.page("/lessons/" + lesson)).contains("Keep me");
        assertThat(new Visitor(base()).page(link)).contains("Keep me");
    }

    @Test
    void aPageIsMovedRemovedAndPutBackOutOfTheBinAsALessonIs() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("On the first page");
        String lesson = ines.lessonOf(line);
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/pages"))).contains("Page added");
        String second = Visitor.first(ines.page("/lessons/" + lesson + "/pages/2"), "/pages/([^/]+)/remove");
        ines.form("/pages/" + second + "/move", "later", "false");
        assertThat(ines.page("/lessons/" + lesson)).matches("(?s).*Page 2.*On the first page.*");
        String first = Visitor.first(ines.page("/lessons/" + lesson + "/pages/2"), "/pages/([^/]+)/remove");
        String link = ines.linkTo(lesson);
        assertThat(Visitor.text(ines.form("/pages/" + first + "/remove")))
                .contains("Page removed", "Undo")
                .doesNotContain("On the first page");
        assertThat(new Visitor(base()).page(link)).doesNotContain("On the first page");
        assertThat(ines.page("/bin")).contains("/pages/" + first + "/put-back", "30 days left");
        ines.form("/pages/" + first + "/put-back");
        assertThat(new Visitor(base()).page(link)).contains("On the first page");
        // Back, step by step: the page is out again, in again, and where it was before it was moved.
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(new Visitor(base()).page(link)).doesNotContain("On the first page");
        ines.form("/lessons/" + lesson + "/undo");
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(ines.page("/lessons/" + lesson)).matches("(?s).*On the first page.*Page 2.*");
        ines.form("/lessons/" + lesson + "/remove");
        assertThat(ines.page("/bin")).contains("/lessons/" + lesson + "/put-back");
        ines.form("/lessons/" + lesson + "/put-back");
        assertThat(ines.page("/bin")).doesNotContain("/lessons/" + lesson + "/put-back");
    }

    @Test
    void linesPastedOnANewPageGoWithItAndComeBackWithIt() throws Exception {
        Visitor ines = Visitor.ines(base());
        String lesson = "/lessons/" + ines.lessonOf(ines.newLine("On the first page"));
        ines.form(lesson + "/paste", "text", "- Pasted one.\n- Pasted two.", "page", "0");
        assertThat(ines.page(lesson)).contains("2 lines added", "Pasted two.", "Page 2");
        ines.form(lesson + "/undo");
        assertThat(ines.page(lesson)).doesNotContain("Pasted two.", "Page 2");
        assertThat(Visitor.text(ines.form(lesson + "/redo"))).contains("2 lines added");
        assertThat(ines.page(lesson)).contains("Pasted one.", "Pasted two.", "Page 2");
    }

    @Test
    void aPageGetsAnotherPictureAndIsWithoutItAgain() throws Exception {
        Visitor ines = Visitor.ines(base());
        String lesson = "/lessons/" + ines.lessonOf(ines.newLine("On the page"));
        String page = "/pages/" + Visitor.first(ines.page(lesson + "/pages/1"), "/pages/([^/]+)/move");
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(1_600, 900, BufferedImage.TYPE_INT_RGB), "png", png);
        byte[] broken = "no picture".getBytes(StandardCharsets.UTF_8);
        assertThat(ines.send("PUT", page + "/picture", "application/octet-stream", broken)
                        .statusCode())
                .isEqualTo(422);
        ines.send("PUT", page + "/picture", "application/octet-stream", png.toByteArray());
        ines.putForm(page + "/shows", "shows", "A black field.");
        String among = Visitor.first(ines.page(lesson), "src=\"([^\"]+/thumbnails/[^\"]+)\"");
        BufferedImage small =
                ImageIO.read(new ByteArrayInputStream(ines.get(among).body()));
        assertThat(new Dimension(small.getWidth(), small.getHeight())).isEqualTo(new Dimension(240, 135));
        assertThat(new Visitor(base()).page(ines.linkTo(lesson.substring("/lessons/".length()))))
                .contains("alt=\"A black field.\"");
        ines.form(lesson + "/undo");
        ines.form(lesson + "/undo");
        assertThat(ines.page(lesson)).contains("On the page").doesNotContain("/thumbnails/");
    }

    @Test
    void pagesAndTitlesAreWhatTheTeacherTypedWhateverThatIs() throws Exception {
        Visitor ines = Visitor.ines(base());
        String script = Visitor.text(ines.form("/lessons", "title", "<script>alert(1)</script> & \"quotes\""));
        assertThat(script).contains("&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;quotes&quot;");
        String lesson = Visitor.first(script, "data-lesson=\"([^\"]+)\"");
        ines.form("/lessons/" + lesson + "/pages");
        assertThat(ines.page("/lessons/" + lesson)).contains("2 pages");
        ines.putForm("/lessons/" + lesson + "/title", "title", "   ");
        assertThat(ines.page("/")).contains("A lesson without a name");
        ines.putForm("/lessons/" + lesson + "/title", "title", "t".repeat(5_000));
        assertThat(ines.page("/lessons/" + lesson)).contains("t".repeat(200)).doesNotContain("t".repeat(201));
        String line = Visitor.first(ines.page("/lessons/" + lesson), "data-line=\"([^\"]+)\"");
        String hostile = "مرحبا 🌱 \u0000 </textarea><b>x";
        ines.putForm("/lines/" + line + "/words", "revision", "1", "words", hostile);
        assertThat(ines.page("/lessons/" + lesson)).contains("مرحبا 🌱", "&lt;/textarea&gt;&lt;b&gt;x");
    }

    @Test
    void theLongestRecordingIsASchoolSettingWithLimits() throws Exception {
        Visitor ines = Visitor.ines(base());
        assertThat(Visitor.text(ines.form("/school", "name", "Tern Lane School", "minutes", "ten", "address", "")))
                .contains("from 1 to 60 minutes");
        assertThat(Visitor.text(
                        ines.form("/school", "name", "Tern Lane School", "minutes", "5", "address", "javascript:x")))
                .contains("begins with http");
        ines.form(
                "/school", "name", "Tern Lane School", "minutes", "5", "address", "https://lessons.tern-lane.example/");
        String line = ines.newLine("Short");
        assertThat(ines.page("/lines/" + line + "/recorder")).contains("data-longest-ms=\"300000\"");
        assertThat(Visitor.text(ines.form("/lessons/" + ines.lessonOf(line) + "/link")))
                .contains("value=\"https://lessons.tern-lane.example/l/");
        ines.form("/school", "name", "Tern Lane School", "minutes", "10", "address", "");
    }

    /** A missing key would show as ??key??. */
    @Test
    void everyWordOfEveryTemplateIsInTheBundle() throws IOException {
        Properties words = new Properties();
        try (var in =
                Files.newBufferedReader(Path.of("src/main/resources/messages.properties"), StandardCharsets.UTF_8)) {
            words.load(in);
        }
        // What children answer on is said with the student's page, whose words leave the house with it.
        try (var in = Files.newBufferedReader(
                Path.of("../formats/src/main/resources/student.properties"), StandardCharsets.UTF_8)) {
            words.load(in);
        }
        TreeSet<String> missing = new TreeSet<>();
        Pattern key = Pattern.compile("#\\{([a-zA-Z0-9.]+)[({}]?");
        try (Stream<Path> templates = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path template : templates.filter(Files::isRegularFile).toList()) {
                Matcher used = key.matcher(Files.readString(template));
                while (used.find()) {
                    if (!words.containsKey(used.group(1))) {
                        missing.add(template.getFileName() + ": " + used.group(1));
                    }
                }
            }
        }
        Pattern said = Pattern.compile("say\\('([a-zA-Z0-9.]+)'");
        try (Stream<Path> scripts = Files.walk(Path.of("src/main/resources/static/assets"))) {
            for (Path script :
                    scripts.filter(file -> file.toString().endsWith(".js")).toList()) {
                Matcher used = said.matcher(Files.readString(script));
                while (used.find()) {
                    String end = "." + used.group(1);
                    if (words.keySet().stream()
                            .noneMatch(each -> each.toString().startsWith("browser.")
                                    && each.toString().endsWith(end))) {
                        missing.add(script.getFileName() + ": " + used.group(1));
                    }
                }
            }
        }
        assertThat(missing).isEmpty();
    }

    @Test
    void eachScriptThatAPageNamesIsMade() throws Exception {
        TreeSet<String> missing = new TreeSet<>();
        Pattern script = Pattern.compile("(assets/[a-z/-]+\\.js)|asset\\('([a-z/-]+\\.js)'");
        for (String folder : new String[] {"src/main/resources/templates", "../formats/src/main/resources/templates"}) {
            try (Stream<Path> templates = Files.walk(Path.of(folder))) {
                for (Path template : templates.filter(Files::isRegularFile).toList()) {
                    Matcher named = script.matcher(Files.readString(template));
                    while (named.find()) {
                        String path = named.group(1) == null ? "assets/" + named.group(2) : named.group(1);
                        if (getClass().getResource("/static/" + path) == null) {
                            missing.add(path);
                        }
                    }
                }
            }
        }
        assertThat(missing)
                .as("to be listed in src/main/scripts-of-teachers.txt or scripts-of-children.txt")
                .isEmpty();
    }

    @Test
    void lessonsAreFoundByTheirTitlesAndLieInFoldersOfOnesOwn() throws Exception {
        Visitor ines = Visitor.ines(base());
        String heron = ines.form("/lessons", "title", "Grey herons").uri().getPath();
        String tide = ines.form("/lessons", "title", "High tide").uri().getPath();
        ines.form("/folders", "name", "The coast");
        String folder = Visitor.first(ines.page("/"), "/folders/([^/]+)/remove");
        ines.form(tide + "/folder", "folder", folder);
        assertThat(ines.page("/?words=HERON"))
                .contains("<b>Grey herons</b>", "One lesson")
                .doesNotContain("<b>High tide</b>");
        assertThat(ines.page("/?folder=" + folder)).contains("<b>High tide</b>").doesNotContain("<b>Grey herons</b>");
        assertThat(ines.page("/?words=nowhere")).contains("No lesson is called so.");
        // What a lesson says is found as well, without case and accents, and leads to its place.
        ines.form(heron + "/paste", "text", "- One héron stands <still>.", "page", "1");
        String said = ines.page("/?words=heron+STANDS");
        String at = Visitor.first(said, "href=\"" + heron + "#(line-[^\"]+)\"");
        assertThat(said).contains("One line says it", "One héron stands &lt;still&gt;.");
        assertThat(ines.page(heron)).contains("id=\"" + at + "\"");
        // What nobody touched in this school year is put away, and found.
        writing.execute("update lesson set changed_at = 0 where id = ?", heron.substring("/lessons/".length()));
        writing.execute("update on_desk set opened_at = 0");
        assertThat(ines.page("/")).containsSubsequence("From earlier school years (1)", "<b>Grey herons</b>");
        assertThat(Visitor.first(ines.page("/"), "(?s)<aside>(.*)</aside>"))
                .as("it waits for nobody")
                .doesNotContain("Grey herons");
        assertThat(ines.page("/?words=%3F")).as("no word").doesNotContain("say it", "says it");
        assertThat(ines.page("/?words=heron")).doesNotContain("From earlier").contains("<b>Grey herons</b>");
        ines.get(tide + "/here");
        ines.get(heron + "/here");
        assertThat(ines.page("/?order=OPENED")).containsSubsequence("<b>Grey herons</b>", "<b>High tide</b>");
        assertThat(ines.page("/?order=TITLE&words=h")).containsSubsequence("<b>Grey herons</b>", "<b>High tide</b>");
        ines.form("/folders/" + folder + "/remove");
        assertThat(ines.page("/")).contains("<b>High tide</b>").doesNotContain("The coast");
        ines.form(heron + "/remove");
        ines.form(tide + "/remove");
    }

    @Test
    void aFirstVisitIsLedByTheWorkItselfUntilSheSaysThatSheNeedsNoGuide() throws Exception {
        Visitor nora = Visitor.added(Visitor.ines(base()), base(), "Nora Ness", "TEACHER");
        assertThat(nora.page("/")).contains("Your first lesson, in three steps").doesNotContain("aria-label=\"done\"");
        String paste = nora.form("/lessons", "paste", "true").uri().getPath();
        assertThat(paste).endsWith("/paste");
        assertThat(nora.page("/")).as("a lesson without words is nothing yet").doesNotContain("Read aloud");
        nora.form(paste, "text", "- Look at the picture.", "page", "1");
        String desk = nora.page("/");
        assertThat(desk.split("aria-label=\"to do\"", -1)).hasSize(3);
        String lesson = paste.replace("/paste", "");
        assertThat(nora.get(Visitor.first(desk, "href=\"(" + lesson + "/read[^\"]+)\""))
                        .statusCode())
                .isEqualTo(200);
        nora.form(lesson + "/link");
        assertThat(nora.page("/").split("aria-label=\"to do\"", -1)).hasSize(2);
        nora.form("/first-steps/end");
        assertThat(nora.page("/")).doesNotContain("in three steps");
        assertThat(Visitor.ines(base()).page("/")).as("who knows her way").doesNotContain("in three steps");
    }

    @Test
    void aLessonIsSharedToBeUsedOrWorkedOnTogether() throws Exception {
        Visitor ines = Visitor.ines(base());
        Visitor colleague = Visitor.added(ines, base(), "Kit Colleague", "TEACHER");
        String lesson = ines.form("/lessons", "title", "Shared tides").uri().getPath();
        String kit = Visitor.first(ines.page(lesson + "/people"), "<option value=\"([^\"]+)\">Kit Colleague");
        assertThat(colleague.get(lesson).statusCode()).isEqualTo(404);
        ines.form(lesson + "/people", "who", kit, "how", "USE");
        assertThat(colleague.page("/")).contains("Shared tides", "by Ines Faro");
        assertThat(colleague.form(lesson + "/undo").statusCode())
                .as("to be used")
                .isEqualTo(404);
        assertThat(colleague.form(lesson + "/link").statusCode()).isEqualTo(200);
        String copy = colleague.form(lesson + "/copy").uri().getPath();
        assertThat(colleague.page(copy)).contains("Copy of Shared tides");
        ines.form(lesson + "/people", "who", kit, "how", "EDIT");
        colleague.page(lesson + "/here");
        assertThat(ines.page(lesson + "/here")).contains("Kit Colleague is here too");
        String line = Visitor.first(ines.page(lesson), "data-line=\"([^\"]+)\"");
        colleague.putForm("/lines/" + line + "/words", "revision", "1", "words", "The tide comes in.");
        assertThat(Visitor.text(ines.putForm("/lines/" + line + "/words", "revision", "1", "words", "My words.")))
                .as("nothing is overwritten unseen")
                .contains("The tide comes in.");
        ines.form(lesson + "/people/" + kit + "/remove");
        assertThat(colleague.get(lesson).statusCode()).isEqualTo(404);
        ines.form(lesson + "/remove");
    }
}
