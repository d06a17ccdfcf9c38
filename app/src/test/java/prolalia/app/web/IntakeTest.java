package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.awt.Rectangle;
import java.io.ByteArrayOutputStream;
import java.io.OutputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.openxml4j.opc.PackagingURIHelper;
import org.apache.poi.openxml4j.opc.TargetMode;
import org.apache.poi.sl.usermodel.PictureData.PictureType;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextBox;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;

/** Papers that come in: read, looked over, taken, or refused with nothing taken. */
class IntakeTest extends RunningHouse {
    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    private String newLesson() throws Exception {
        return ines.lessonOf(ines.newLine(""));
    }

    static byte[] demoFile(String name) throws Exception {
        try (var in = IntakeTest.class.getResourceAsStream("/demo/" + name)) {
            return in.readAllBytes();
        }
    }

    private String bring(String lesson, String name, byte[] content) throws Exception {
        String id = UUID.randomUUID().toString();
        String answer = Visitor.text(ines.send(
                "PUT",
                "/lessons/" + lesson + "/papers/" + id + "?name=" + URLEncoder.encode(name, StandardCharsets.UTF_8),
                "application/octet-stream",
                content));
        assertThat(answer).contains("/papers/" + id);
        return "/papers/" + id;
    }

    private String read(String paper) {
        await().atMost(Duration.ofSeconds(90)).until(() -> !ines.page(paper).contains("Stop reading it"));
        try {
            return ines.page(paper);
        } catch (Exception failure) {
            throw new AssertionError(failure);
        }
    }

    private String lines(String paper, int page) throws Exception {
        return ines.page(paper + "/pages/" + page + "/lines");
    }

    private String change(String paper, int page, String deed) throws Exception {
        return Visitor.text(ines.send(
                "POST",
                paper + "/pages/" + page + "/lines",
                "application/json",
                deed.replace('\'', '"').getBytes(StandardCharsets.UTF_8)));
    }

    private static long count(String text, String pattern) {
        return Pattern.compile(pattern).matcher(text).results().count();
    }

    @Test
    void aWorksheetIsLookedOverAndItsPagesLinesAndSpotsComeIntoTheLesson() throws Exception {
        String lesson = newLesson();
        String paper = bring(lesson, "bakery.pdf", demoFile("bakery.pdf"));
        assertThat(read(paper))
                .contains("bakery.pdf", "Leave this page out", "1 · 12 lines", "2 · 3 lines", "3 · 11 lines");
        assertThat(ines.get(paper + "/pages/2/picture").headers().firstValue("Content-Type"))
                .hasValue("image/png");
        assertThat(lines(paper, 1))
                .contains("\"text\":\"Nadia has 12 coins. How many rolls can she buy?\"", "\"kind\":\"QUESTION\"");

        assertThat(change(paper, 1, "{'deed':'KIND','lineId':'f2','kind':'NOTE'}"))
                .contains("\"changes\":1");
        assertThat(change(paper, 1, "{'deed':'WANT','lineId':'f3','wanted':false}"))
                .contains("\"wantedLines\":25");
        assertThat(change(paper, 1, "{'deed':'UNDO'}")).contains("\"wantedLines\":26", "\"changes\":1");
        assertThat(change(paper, 1, "{'deed':'JOIN','lineId':'f2'}"))
                .contains("A loaf costs 7 coins. Listen first. Then circle your answer.");
        assertThat(change(paper, 1, "{'deed':'SPLIT','lineId':'nobody','at':3}"))
                .contains("\"changes\":2");
        ines.form(paper + "/pages/2/want", "wanted", "false");
        ines.form(paper + "/pages/3/want", "wanted", "false");
        assertThat(ines.page(paper)).contains("2 · left out");

        assertThat(Visitor.text(ines.form(paper + "/take"))).contains("1 page · 11 lines");
        String pageId = Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "/stages/([^\"]+)\"");
        assertThat(count(ines.page("/lessons/" + lesson + "/stages/" + pageId), "\"SPOT\""))
                .isEqualTo(11);
        // Pressed twice, or from a page that is still open elsewhere.
        ines.form(paper + "/take");
        assertThat(change(paper, 1, "{'deed':'WANT','lineId':'f1','wanted':false}"))
                .contains("\"wanted\":true");
        assertThat(ines.page("/lessons/" + lesson)).contains("1 page · 11 lines");
        assertThat(ines.page("/lessons/" + lesson + "/bring-in")).contains("in the lesson");
    }

    @Test
    void aPictureIsAPageWhoseLinesAreDrawnAndTyped() throws Exception {
        String lesson = newLesson();
        String paper = bring(lesson, "map.png", demoFile("bakery/page-2.png"));
        assertThat(read(paper)).contains("1 · no line", "No text was found on this page");
        String drawn = change(paper, 1, "{'deed':'DRAW','area':{'x':0.1,'y':0.4,'w':0.3,'h':0.1}}");
        String id = Visitor.first(drawn, "\"id\":\"([^\"]+)\"");
        change(paper, 1, "{'deed':'TEXT','lineId':'" + id + "','text':'Count the coins.'}");
        assertThat(Visitor.text(ines.form(paper + "/take"))).contains("1 page · 1 line", "Count the coins.");
        // A line that was typed is found by the ink of the picture, where that divides as its words do.
        String other = newLesson();
        String typed = bring(other, "again.png", demoFile("bakery/page-2.png"));
        read(typed);
        String box = change(typed, 1, "{'deed':'DRAW','area':{'x':0.06,'y':0.15,'w':0.5,'h':0.035}}");
        String first = Visitor.first(box, "\"id\":\"([^\"]+)\"");
        change(typed, 1, "{'deed':'TEXT','lineId':'" + first + "','text':'Each roll costs 2 coins.'}");
        ines.form(typed + "/take");
        assertThat(ines.page("/lessons/" + other + "/pages/1")).contains("data-found=\"true\"");
        String empty = bring(lesson, "map again.png", demoFile("bakery/page-2.png"));
        read(empty);
        assertThat(Visitor.text(ines.form(empty + "/take"))).contains("2 pages · 1 line");
    }

    @Test
    void soundsOfSlidesBecomeTakesAndJumpsAndLinksAreOnTheStage() throws Exception {
        String lesson = newLesson();
        String paper = bring(lesson, "voiced.pptx", voicedSlides(Files.readAllBytes(voice("bean-2c"))));
        read(paper);
        ines.form(paper + "/take");
        await().atMost(Duration.ofSeconds(60))
                .until(() -> ines.page("/lessons/" + lesson).contains("1 of 2 voiced"));
        String stage = ines.page("/lessons/" + lesson + "/stages/"
                + Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "/stages/([^\"]+)\""));
        String second = Visitor.first(ines.page("/lessons/" + lesson + "/pages/2"), "/stages/([^\"]+)\"");
        assertThat(stage).contains("\"kind\":\"JUMP\"", "\"pageId\":\"" + second + "\"");
        // As slides it goes out, and comes back with its sound on its line.
        byte[] slides = ines.get("/lessons/" + lesson + "/slides.pptx").body();
        String again = newLesson();
        String back = bring(again, "back.pptx", slides);
        read(back);
        assertThat(ines.page(back + "/pages/1/lines"))
                .containsPattern("\"sounds\":\\[\\{\"name\":\"[^\"]+\",\"line\":\"[^\"]+\"");
        ines.form(back + "/take");
        await().atMost(Duration.ofSeconds(60))
                .until(() -> ines.page("/lessons/" + again).contains("1 of 2 voiced"));
        // What came in is one step back, and forth.
        assertThat(Visitor.text(ines.form("/lessons/" + again + "/undo"))).contains("Undone: 2 pages brought in");
        assertThat(ines.page("/lessons/" + again)).doesNotContain("the root");
        ines.form("/lessons/" + again + "/redo");
        assertThat(ines.page("/lessons/" + again)).contains("the root", "1 of 2 voiced");
    }

    @Test
    void aSoundThatCouldBeOfTwoLinesIsAskedAbout() throws Exception {
        String lesson = newLesson();
        byte[] deck = slides(show -> {
            XSLFSlide slide = show.createSlide();
            text(slide, "the root", 60);
            text(slide, "the leaf", 140);
            sound(show, slide, Files.readAllBytes(voice("bean-2c")), new Rectangle(300, 112, 40, 40));
        });
        String paper = bring(lesson, "doubt.pptx", deck);
        read(paper);
        String page = paper + "/pages/1";
        assertThat(ines.page(page + "/lines")).contains("\"line\":null");
        assertThat(ines.page(page)).contains("a sound without a line");
        assertThat(ines.get(page + "/sounds/0").statusCode()).isEqualTo(200);
        String leaf = Visitor.first(ines.page(page + "/lines"), "\"id\":\"([^\"]+)\"[^}]*\"text\":\"the leaf\"");
        ines.send(
                "POST",
                page + "/lines",
                "application/json",
                ("{\"deed\":\"SAY\",\"lineId\":\"" + leaf + "\",\"at\":0}").getBytes(StandardCharsets.UTF_8));
        ines.form(paper + "/take");
        await().atMost(Duration.ofSeconds(60))
                .until(() -> ines.page("/lessons/" + lesson).contains("1 of 2 voiced"));
    }

    private interface Making {
        void in(XMLSlideShow show) throws Exception;
    }

    private static byte[] slides(Making making) throws Exception {
        try (XMLSlideShow show = new XMLSlideShow()) {
            making.in(show);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            show.write(out);
            return out.toByteArray();
        }
    }

    private static void sound(XMLSlideShow show, XSLFSlide slide, byte[] sound, Rectangle at) throws Exception {
        PackagePart part =
                show.getPackage().createPart(PackagingURIHelper.createPartName("/ppt/media/a.wav"), "audio/wav");
        try (OutputStream out = part.getOutputStream()) {
            out.write(sound);
        }
        String id = slide.getPackagePart()
                .addRelationship(
                        part.getPartName(),
                        TargetMode.INTERNAL,
                        "http://schemas.openxmlformats.org/officeDocument/2006/relationships/audio")
                .getId();
        byte[] svg = "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8);
        XSLFPictureShape icon = slide.createPicture(show.addPicture(svg, PictureType.SVG));
        icon.setAnchor(at);
        ((CTPicture) icon.getXmlObject())
                .getNvPicPr()
                .getNvPr()
                .addNewAudioFile()
                .setLink(id);
    }

    /** Two slides; the first has a sound beside its words, and a door to the second. */
    private static byte[] voicedSlides(byte[] sound) throws Exception {
        return slides(show -> {
            XSLFSlide first = show.createSlide();
            XSLFSlide second = show.createSlide();
            text(first, "the root", 60);
            text(second, "the leaf", 60);
            sound(show, first, sound, new Rectangle(300, 60, 40, 40));
            var door = first.createAutoShape();
            door.setAnchor(new Rectangle(500, 400, 90, 60));
            door.createHyperlink().linkToSlide(second);
        });
    }

    private static void text(XSLFSlide slide, String words, int y) {
        XSLFTextBox box = slide.createTextBox();
        box.setAnchor(new Rectangle(60, y, 220, 60));
        box.setText(words);
    }

    @Test
    void whatCanNotBeReadSaysWhyAndNothingIsTaken() throws Exception {
        String lesson = newLesson();
        byte[] pdf = demoFile("bakery.pdf");
        assertThat(read(bring(lesson, "letter <b>.pdf", "Dear parents".getBytes())))
                .contains("Pages can&#39;t be made of &quot;letter &lt;b&gt;.pdf&quot;", "your file is unchanged");
        assertThat(read(bring(lesson, "cut.pdf", java.util.Arrays.copyOf(pdf, 300))))
                .contains("is broken");
        assertThat(ines.page("/lessons/" + lesson)).contains("1 page · no line yet");
        assertThat(ines.page("/lessons/" + lesson + "/bring-in")).contains("could not be read");
    }

    @Test
    void readingIsStoppedAndAnotherPaperComesIn() throws Exception {
        String lesson = newLesson();
        ByteArrayOutputStream many = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < 480; i++) {
                document.addPage(new PDPage());
            }
            document.save(many);
        }
        String paper = bring(lesson, "many.pdf", many.toByteArray());
        await().atMost(Duration.ofSeconds(60)).until(() -> ines.page(paper).contains("of 480 is read"));
        assertThat(Visitor.text(ines.form(paper + "/cancel"))).contains("stopped");
        assertThat(ines.page(paper)).contains("Nothing was taken into the lesson");
        String next = bring(lesson, "bean.pptx", demoFile("bean.pptx"));
        assertThat(read(next)).contains("3 · 2 lines");
        ines.form(paper + "/put-away");
        assertThat(ines.page("/lessons/" + lesson + "/bring-in")).doesNotContain("many.pdf");
    }

    @Test
    void papersBelongToTheirTeacher() throws Exception {
        String lesson = newLesson();
        String paper = bring(lesson, "bean.pptx", demoFile("bean.pptx"));
        read(paper);
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.page(paper + "/pages/1")).doesNotContain("bean.pptx");
        assertThat(stranger.form(paper + "/take").statusCode()).isIn(401, 403);
        assertThat(ines.get("/papers/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(ines.get(paper + "/pages/9").statusCode()).isEqualTo(404);
        assertThat(ines.send("PUT", "/lessons/none/papers/x?name=a", "application/octet-stream", new byte[3])
                        .statusCode())
                .isEqualTo(404);
        assertThat(change(paper, 1, "{'deed':'EAT'}")).doesNotContain("Exception");
    }
}
