package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prolalia.formats.code.CodeReader;
import prolalia.formats.code.CodeReader.Found;

/** Codes of the demo's paper: what each opens, and what it doesn't. */
class CodesTest extends RunningHouse {
    private Visitor ines;
    private Visitor child;
    private String lesson;

    @BeforeAll
    void theBakery() throws Exception {
        ines = Visitor.ines(base());
        child = new Visitor(base());
        String original =
                Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"/]+)\">\\s*<b>At the bakery counter");
        var copied = ines.form("/lessons/" + original + "/copy");
        lesson = Visitor.first(copied.uri().getPath() + "/", "/lessons/([^/]+)/");
    }

    private String codes() throws Exception {
        return ines.page("/lessons/" + lesson + "/codes");
    }

    private List<String> paths(String kind) throws Exception {
        return java.util.regex.Pattern.compile(
                        "(?s)<li[^>]*>(?:(?!</li>).)*?" + kind + "(?:(?!</li>).)*?href=\"(/c/[A-Z0-9]+)\"")
                .matcher(codes())
                .results()
                .map(found -> found.group(1))
                .toList();
    }

    private static List<Found> read(byte[] pdf, int dpi) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage picture = new PDFRenderer(document).renderImageWithDPI(0, dpi);
            return CodeReader.read(picture);
        }
    }

    @Test
    void aCodeOpensItsQuestionAndNothingElseUntilItIsWithdrawn() throws Exception {
        String made = new String(
                ines.form("/lessons/" + lesson + "/codes", "made", "QUESTIONS").body(), StandardCharsets.UTF_8);
        assertThat(made).contains("codes were made");
        String nadia = paths("Nadia").get(0);
        String seen = child.page(nadia.replace("/c/", "/C/"));
        assertThat(seen).contains("How many rolls can she buy?", "four").doesNotContain("Omar", "Rolls cost 2 coins");
        String token = nadia.substring(3);
        assertThat(codes()).contains("scanned once");
        ines.form("/lessons/" + lesson + "/codes/renew", "codes", token);
        assertThat(child.get(nadia).statusCode()).isEqualTo(410);
        assertThat(new String(child.get(nadia).body(), StandardCharsets.UTF_8)).contains("closed.mp3");
        List<String> now = paths("Nadia");
        assertThat(now).hasSize(1).doesNotContain(nadia);
        assertThat(child.page(now.get(0))).contains("How many rolls");
        ines.form("/lessons/" + lesson + "/codes/open", "codes", token);
        assertThat(child.get(nadia).statusCode()).isEqualTo(200);
    }

    @Test
    void whatIsTypedOpensTheSame() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "STATIONS");
        String typed = Visitor.first(codes(), "<span class=\"typed\">([^<]+)<");
        assertThat(child.get("/door?word=" + typed.toUpperCase().replace(" ", "-"))
                        .uri()
                        .getPath())
                .startsWith("/c/");
        String other = typed.substring(0, typed.length() - 1) + (typed.endsWith("9") ? "8" : "9");
        assertThat(child.get("/door?word=" + other.replace(" ", "%20")).uri().getPath())
                .as("a near one is never guessed")
                .isEqualTo("/door");
    }

    @Test
    void sheetsAndPapersCanBeScanned() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "QUESTIONS");
        byte[] sheet = ines.get("/lessons/" + lesson + "/codes/sheet.pdf?arrangement=GRID&paper=A4")
                .body();
        List<Found> found = read(sheet, 150);
        assertThat(found).hasSizeGreaterThan(3).allMatch(code -> code.text().startsWith("HTTP://"));
        String path = found.get(0).text().replaceFirst("^HTTP://[^/]+/C/", "/C/");
        assertThat(child.get(path).statusCode()).isEqualTo(200);
        try (PDDocument document = Loader.loadPDF(sheet)) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .as("text is text")
                    .contains("Omar buys a loaf.");
        }
        byte[] paper = made("paper", "where", "EACH_QUESTION_REST_AT_END");
        byte[] original = Files.readAllBytes(Path.of("src/main/resources/demo/bakery.pdf"));
        assertThat(new String(paper, 0, original.length, StandardCharsets.ISO_8859_1))
                .as("the original is still there, byte by byte")
                .isEqualTo(new String(original, StandardCharsets.ISO_8859_1));
        assertThat(read(paper, 300)).extracting(Found::text).hasSize(3).allMatch(text -> text.contains("/C/"));
        String tried = new String(
                ines.send("PUT", "/try-codes", "application/pdf", paper).body(), StandardCharsets.UTF_8);
        assertThat(tried)
                .contains("How many rolls can she buy?", "Nothing is heard there as yet")
                .doesNotContain("too small");
        assertThat(new String(
                        ines.send("PUT", "/try-codes", "application/pdf", new byte[] {1, 2})
                                .body(),
                        StandardCharsets.UTF_8))
                .contains("The file");
    }

    /** Made with codes, and taken. */
    private byte[] made(String kind, String... fields) throws Exception {
        String outcome = new String(
                ines.form("/lessons/" + lesson + "/codes/" + kind, fields).body(), StandardCharsets.UTF_8);
        assertThat(outcome).contains("codes stand on it");
        return ines.get(Visitor.first(outcome, "href=\"(/lessons/[^\"]+/codes/files/[^\"]+)\""))
                .body();
    }

    @Test
    void slidesHaveACodeEachThatOpensTheirPage() throws Exception {
        byte[] slides = made("slides");
        List<String> paths = new ArrayList<>();
        try (XMLSlideShow show = new XMLSlideShow(new ByteArrayInputStream(slides))) {
            double scale = 1_600 / show.getPageSize().getWidth();
            for (XSLFSlide slide : show.getSlides()) {
                BufferedImage picture = new BufferedImage(
                        1_600, (int) (scale * show.getPageSize().getHeight()), BufferedImage.TYPE_INT_RGB);
                Graphics2D graphics = picture.createGraphics();
                graphics.fillRect(0, 0, picture.getWidth(), picture.getHeight());
                graphics.scale(scale, scale);
                slide.draw(graphics);
                graphics.dispose();
                CodeReader.read(picture)
                        .forEach(code -> paths.add(code.text().replaceFirst("^HTTP://[^/]+/C/", "/C/")));
            }
        }
        assertThat(paths).hasSize(3).doesNotHaveDuplicates();
        assertThat(child.page(paths.get(0))).contains("Nadia");
    }

    @Test
    void outsideSchoolHoursAndAfterItsLastDayACodeIsClosed() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "LESSON");
        String path = paths("whole lesson").get(0);
        assertThat(child.get(path).statusCode()).isEqualTo(200);
        // Whatever day and time it is: a minute that is not now.
        String never = LocalTime.now(ZoneId.systemDefault()).getHour() < 12 ? "23:58" : "00:00";
        String until = never.equals("00:00") ? "00:01" : "23:59";
        String codes = "/lessons/" + lesson + "/codes/";
        ines.form(codes + "hours", "from", never, "to", until, "codes", path.substring(3));
        assertThat(child.get(path).statusCode()).isEqualTo(403);
        assertThat(new String(child.get(path).body(), StandardCharsets.UTF_8))
                .contains("Monday to Friday, from " + never);
        assertThat(new String(
                        ines.form(codes + "hours", "from", "9:00", "to", "8:00").body(), StandardCharsets.UTF_8))
                .contains("Nothing was changed");
        ines.form(codes + "hours", "from", "", "to", "", "codes", path.substring(3));
        assertThat(child.get(path).statusCode()).isEqualTo(200);
        ines.form(codes + "end", "day", "2020-01-31", "codes", path.substring(3));
        assertThat(child.get(path).statusCode()).isEqualTo(410);
        assertThat(codes()).contains("ended");
        assertThat(new String(
                        ines.form("/lessons/" + lesson + "/codes", "made", "LESSON")
                                .body(),
                        StandardCharsets.UTF_8))
                .as("another takes the place of one that has ended")
                .contains("One code was made");
    }

    @Test
    void aCameraIsLookedThroughFrameByFrame() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "QUESTIONS");
        byte[] sheet = ines.get("/lessons/" + lesson + "/codes/sheet.pdf?arrangement=GRID&paper=A4")
                .body();
        try (PDDocument document = Loader.loadPDF(sheet)) {
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 100, ImageType.GRAY);
            byte[] points = (byte[]) page.getRaster().getDataElements(0, 0, page.getWidth(), page.getHeight(), null);
            String at = "/try-codes/frame?width=" + page.getWidth() + "&height=";
            assertThat(new String(
                            ines.send("PUT", at + page.getHeight(), "application/octet-stream", points)
                                    .body(),
                            StandardCharsets.UTF_8))
                    .contains("How many rolls can she buy?");
            assertThat(ines.send("PUT", at + "7", "application/octet-stream", points)
                            .statusCode())
                    .isEqualTo(400);
        }
    }

    @Test
    void allOfThemComeAsPicturesWithAList() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "PAGES");
        int pictures = 0;
        String list = "";
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(
                ines.get("/lessons/" + lesson + "/codes.zip").body()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                pictures += entry.getName().endsWith(".png") ? 1 : 0;
                list = entry.getName().equals("codes.csv")
                        ? new String(zip.readAllBytes(), StandardCharsets.UTF_8)
                        : list;
            }
        }
        assertThat(list.lines().count()).isEqualTo(pictures + 1);
        assertThat(pictures).isGreaterThan(2);
        assertThat(list).contains("Count again");
    }

    @Test
    void aRotationSurvivesAReloadAndRefusesWhatMakesNone() throws Exception {
        String at = "/lessons/" + lesson + "/rotation";
        assertThat(new String(
                        ines.form(at, "names", "Reds\nBlues\nGreens\nOnes", "minutes", "0")
                                .body(),
                        StandardCharsets.UTF_8))
                .contains("That makes no rotation");
        ines.form(at, "names", "Reds\nBlues\nGreens\nOnes", "minutes", "7");
        assertThat(ines.page(at)).contains("Blues", "4 rounds of 7 minutes", "break");
        ines.send("POST", at + "/press?press=START", "application/x-www-form-urlencoded", new byte[0]);
        ines.send("POST", at + "/press?press=NEXT", "application/x-www-form-urlencoded", new byte[0]);
        ines.send("POST", at + "/press?press=HALT", "application/x-www-form-urlencoded", new byte[0]);
        ines.send("POST", at + "/press?press=MINUTE_MORE", "application/x-www-form-urlencoded", new byte[0]);
        assertThat(ines.page(at + "/now")).contains("\"round\":1", "\"halted\":true", "\"length\":480000");
    }
}
