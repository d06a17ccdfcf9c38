package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
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
                Visitor.first(ines.page("/"), "(?s)href=\"/lessons/([^\"/]+)\">(?:(?!</a>).)*At the bakery counter");
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

    private static List<Found> read(byte[] pdf, int page) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage picture = new PDFRenderer(document).renderImageWithDPI(page, 300);
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
        List<Found> found = read(sheet, 0);
        assertThat(found).hasSizeGreaterThan(3).allMatch(code -> code.text().startsWith("HTTP://"));
        String path = found.get(0).text().replaceFirst("^HTTP://[^/]+/C/", "/C/");
        assertThat(child.get(path).statusCode()).isEqualTo(200);
        try (PDDocument document = Loader.loadPDF(sheet)) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .as("text is text")
                    .contains("Omar buys a loaf.");
        }
        byte[] paper = ines.get("/lessons/" + lesson + "/codes/paper.pdf").body();
        byte[] original = Files.readAllBytes(Path.of("src/main/resources/demo/bakery.pdf"));
        assertThat(new String(paper, 0, original.length, StandardCharsets.ISO_8859_1))
                .as("the original is still there, byte by byte")
                .isEqualTo(new String(original, StandardCharsets.ISO_8859_1));
        assertThat(read(paper, 0)).extracting(Found::text).hasSize(3).allMatch(text -> text.contains("/C/"));
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

    @Test
    void allOfThemComeAsPicturesWithAList() throws Exception {
        ines.form("/lessons/" + lesson + "/codes", "made", "PAGES");
        int pictures = 0;
        String list = "";
        try (ZipInputStream zip = new ZipInputStream(new java.io.ByteArrayInputStream(
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
