package prolalia.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.place.Area;
import prolalia.formats.paper.Paper.PageSize;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** What is found on papers that are set in ten ways. */
class PapersTest {
    @TempDir
    private Path folder;

    @Test
    void questionsAndChoicesOfPapersSetInTenWaysAreFoundInOrder() throws Exception {
        for (MadePapers.Style style : MadePapers.STYLES) {
            MadePapers.Made made = MadePapers.make(style, folder);
            List<FoundLine> found = lines(made.file());
            assertThat(of(found, FoundKind.QUESTION)).as(style.name()).containsExactlyElementsOf(made.questions());
            assertThat(of(found, FoundKind.CHOICE)).as(style.name()).containsExactlyElementsOf(made.choices());
            assertThat(found.stream().map(FoundLine::text))
                    .as(style.name())
                    .noneMatch(text -> text.startsWith("Page ") || text.equals("Tern Lane School"));
            assertThat(found.get(0).kind()).as(style.name()).isEqualTo(FoundKind.HEADING);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0",
        "90, 0",
        "180, 0",
        "270, 0",
        "0, 90",
        "90, 90",
        "180, 90",
        "270, 90",
        "0, 180",
        "90, 270",
        "180, 180",
        "270, 270"
    })
    void textIsFoundWhereItIsSeenHoweverPageAndTextAreTurned(int rotate, int textDegrees) throws Exception {
        Path file = folder.resolve("turned.pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(500, 700));
            page.setCropBox(new PDRectangle(40, 60, 400, 560));
            page.setRotation(rotate);
            page.setUserUnit(2);
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.beginText();
                content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 18);
                content.setTextMatrix(Matrix.getRotateInstance(Math.toRadians(textDegrees), 240, 330));
                content.showText("Look at the seed.");
                content.endText();
            }
            document.save(file.toFile());
        }
        try (Paper paper = Papers.open(file)) {
            FoundLine line = paper.lines().get(0).lines().get(0);
            assertThat(line.text()).isEqualTo("Look at the seed.");
            Area ink = ink(paper.picture(0, 800));
            Area found = line.area();
            assertThat(found.x()).isBetween(ink.x() - 0.02, ink.x() + 0.01);
            assertThat(found.y()).isBetween(ink.y() - 0.02, ink.y() + 0.01);
            assertThat(found.x() + found.w()).isBetween(ink.x() + ink.w() - 0.01, ink.x() + ink.w() + 0.02);
            assertThat(found.y() + found.h()).isBetween(ink.y() + ink.h() - 0.01, ink.y() + ink.h() + 0.02);
            boolean turned = rotate % 180 != 0;
            assertThat(paper.size(0)).isEqualTo(turned ? new PageSize(1120, 800) : new PageSize(800, 1120));
        }
    }

    /** Where something dark stands, in shares of the picture. */
    @Test
    void aLinkOfAPdfIsCalledByTheWordsItStandsOn(@TempDir Path folder) throws Exception {
        Path pdf = folder.resolve("bakery.pdf");
        DemoPapers.worksheet(pdf);
        try (Paper paper = Papers.open(pdf)) {
            assertThat(paper.parts(2).links())
                    .extracting(PageParts.LinkPart::words)
                    .containsExactly("See how bread is baked");
        }
    }

    private static Area ink(BufferedImage picture) {
        int left = picture.getWidth();
        int top = picture.getHeight();
        int right = 0;
        int bottom = 0;
        for (int y = 0; y < picture.getHeight(); y++) {
            for (int x = 0; x < picture.getWidth(); x++) {
                if ((picture.getRGB(x, y) & 0xff) < 128) {
                    left = Math.min(left, x);
                    top = Math.min(top, y);
                    right = Math.max(right, x + 1);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        double w = picture.getWidth();
        double h = picture.getHeight();
        return Area.between(left / w, top / h, right / w, bottom / h);
    }

    @Test
    void slidesGiveTheirTextNotesNumbersJumpsLinksAndSounds() throws Exception {
        Path file = folder.resolve("slides.pptx");
        byte[] sound = "a sound".getBytes();
        MadeSlides.write(file, sound);
        try (Paper paper = Papers.open(file)) {
            assertThat(paper.pages()).isEqualTo(3);
            assertThat(paper.lines().get(0).lines())
                    .extracting(line -> line.kind() + ": " + line.text())
                    .containsExactly(
                            "HEADING: At the harbour",
                            "DIRECTION: Look at the boats.",
                            "QUESTION: 1. Which boat is red?",
                            "CHOICE: a) the first",
                            "CHOICE: b) the second",
                            "QUESTION: 2. How many are there?",
                            "CHOICE: A. two",
                            "CHOICE: B. three",
                            "LABEL: The tides",
                            "NOTE: Wait until all look.");
            FoundLine question = paper.lines().get(0).lines().get(2);
            assertThat(question.area().y()).isBetween(0.3, 0.6);
            PageParts parts = paper.parts(0);
            assertThat(parts.jumps()).singleElement().satisfies(jump -> {
                assertThat(jump.toPage()).isEqualTo(2);
                assertThat(jump.area().x()).isCloseTo(0.8, within(0.01));
            });
            assertThat(parts.links())
                    .extracting(PageParts.LinkPart::words, PageParts.LinkPart::address)
                    .containsExactly(tuple("The tides", "https://tides.example/today"));
            assertThat(parts.sounds()).singleElement().satisfies(part -> {
                assertThat(part.content()).isEqualTo(sound);
                assertThat(part.area().x()).isCloseTo(0.5, within(0.01));
            });
            BufferedImage picture = paper.picture(1, 800);
            assertThat(picture.getWidth()).isEqualTo(800);
            assertThat(new Color(picture.getRGB(400, 225))).as("the red boat").isEqualTo(Color.RED);
        }
    }

    @Test
    void textOfSlidesIsAsWideAsInTheFontThatTheyAskFor() throws Exception {
        // Advance widths of the letters of "minimum" in units of 2,048 to the em: m 1636, i 470, n 1076, u 1076 in
        // Calibri.
        double em = 2048;
        double calibri = (3 * 1636 + 2 * 470 + 1076 + 1076) / em * 100;
        Path file = folder.resolve("wide.pptx");
        MadeSlides.writeText(file, "Calibri", 100, "minimum");
        try (Paper paper = Papers.open(file)) {
            Area ink = PictureInk.of(paper.picture(0, 1600)).tight(Area.WHOLE);
            // The ink lacks the room beside the first and the last letter.
            assertThat(ink.w() * 960).isBetween(calibri - 22, calibri);
        }
    }

    @Test
    void picturesStandUprightAndDrawingsRunNothing() throws Exception {
        Path lying = folder.resolve("lying.jpg");
        Files.write(lying, MadePictures.turnedJpeg(60, 40, 6));
        try (Paper paper = Papers.open(lying)) {
            BufferedImage picture = paper.picture(0, 1600);
            assertThat(List.of(picture.getWidth(), picture.getHeight())).containsExactly(40, 60);
            assertThat(new Color(picture.getRGB(35, 5)).getRed())
                    .as("its red corner is on the right now")
                    .isGreaterThan(200);
            assertThat(paper.lines().get(0).lines()).isEmpty();
        }
        Path drawing = folder.resolve("drawing.svg");
        Files.writeString(drawing, """
                <!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 10" onload="alert(1)">
                <script>java.lang.System.exit(3)</script><rect width="20" height="10" fill="lime"/></svg>""");
        try (Paper paper = Papers.open(drawing)) {
            assertThat(new Color(paper.picture(0, 400).getRGB(200, 100))).isEqualTo(Color.GREEN);
        }
        // A document type that only a parser sees through, and entities that grow.
        Path hidden = folder.resolve("hidden.svg");
        Files.writeString(hidden, """
                <!-- > --><!DOCTYPE svg [<!-- ]> --><!ENTITY x SYSTEM "file:///etc/passwd"><!ENTITY fill "lime">]>
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 10"><title>&x;</title>
                <rect width="20" height="10" fill="&fill;"/></svg>""");
        try (Paper paper = Papers.open(hidden)) {
            assertThat(paper.picture(0, 200).getRGB(100, 50) & 0xffffff).isEqualTo(0x00ff00);
        }
        StringBuilder laughs = new StringBuilder("<!DOCTYPE svg [<!ENTITY a0 \"ha\">");
        for (int i = 1; i < 12; i++) {
            laughs.append("<!ENTITY a")
                    .append(i)
                    .append(" \"")
                    .append(("&a" + (i - 1) + ";").repeat(10))
                    .append("\">");
        }
        Path growing = folder.resolve("growing.svg");
        Files.writeString(growing, laughs + "]><svg xmlns=\"http://www.w3.org/2000/svg\"><title>&a11;</title></svg>");
        assertThatThrownBy(() -> Papers.open(growing)).isInstanceOf(PaperRefusedException.class);
        Path outside = folder.resolve("outside.svg");
        Files.writeString(outside, """
                <svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 20 10">
                <image xlink:href="file:///etc/passwd" width="20" height="10"/></svg>""");
        assertThatThrownBy(() -> Papers.open(outside)).isInstanceOf(PaperRefusedException.class);
        Path web = folder.resolve("small.webp");
        Files.write(web, MadePictures.webp());
        try (Paper paper = Papers.open(web)) {
            assertThat(paper.size(0)).isEqualTo(new Paper.PageSize(1, 1));
        }
    }

    @Test
    void whatCanNotBeReadSaysWhy() throws Exception {
        assertThat(refusal("words.pdf", "Dear parents".getBytes())).isEqualTo(Reason.UNKNOWN);
        byte[] pdf = Files.readAllBytes(
                MadePapers.make(MadePapers.STYLES.get(0), folder).file());
        assertThat(refusal("cut.pdf", Arrays.copyOf(pdf, 300))).isEqualTo(Reason.BROKEN);
        assertThat(refusal("locked.pdf", MadePapers.locked(pdf))).isEqualTo(Reason.ENCRYPTED);
        assertThat(refusal("many.pdf", MadePapers.empty(501))).isEqualTo(Reason.TOO_MANY_PAGES);
        assertThat(refusal("none.pptx", MadeSlides.empty())).isEqualTo(Reason.EMPTY);
        assertThat(refusal("bomb.pptx", MadeSlides.bomb())).isEqualTo(Reason.TOO_LARGE);
        assertThat(refusal("entities.pptx", MadeSlides.entities())).isEqualTo(Reason.BROKEN);
        assertThat(refusal("other.pptx", MadeSlides.zip("word/document.xml", "<a/>")))
                .isEqualTo(Reason.UNKNOWN);
        assertThat(refusal("slides.odp", MadeSlides.zip("content.xml", "<a/>", "META-INF/manifest.xml", "<a/>")))
                .isEqualTo(Reason.OPEN_DOCUMENT);
        assertThat(refusal("old.ppt", new byte[] {(byte) 0xd0, (byte) 0xcf, 0x11, (byte) 0xe0, 0, 0, 0, 0}))
                .isEqualTo(Reason.OLD_SLIDES);
        assertThat(refusal("nothing.pdf", new byte[0])).isEqualTo(Reason.UNKNOWN);
    }

    private Reason refusal(String name, byte[] content) throws Exception {
        Path file = folder.resolve(name);
        Files.write(file, content);
        try (Paper paper = Papers.open(file)) {
            throw new AssertionError(name + " was opened");
        } catch (PaperRefusedException refused) {
            return refused.reason();
        }
    }

    private static List<FoundLine> lines(Path file) throws Exception {
        try (Paper paper = Papers.open(file)) {
            List<FoundLine> lines = new ArrayList<>();
            paper.lines().stream().map(FoundPage::lines).forEach(lines::addAll);
            return lines;
        }
    }

    private static List<String> of(List<FoundLine> lines, FoundKind kind) {
        return lines.stream()
                .filter(line -> line.kind() == kind)
                .map(FoundLine::text)
                .toList();
    }
}
