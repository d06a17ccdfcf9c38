package prolalia.formats.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.code.AskedPlaces;
import prolalia.core.code.AskedPlaces.Asked;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.SheetPaper;
import prolalia.core.place.Area;
import prolalia.formats.code.CodeReader.Found;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.code.Stamping.Stamped;
import prolalia.formats.code.Stamping.Standing;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.Papers;

/** Codes on papers and on sheets, as they are scanned. */
class StampedPaperTest {
    private static final Path BAKERY = Path.of("../app/src/main/resources/demo/bakery.pdf");

    @TempDir
    Path folder;

    private static String address(int number) {
        return "https://lessons.school.example/c/" + number;
    }

    /** Turned and cropped as scanners and editors do it. */
    private Path turned(int degrees) throws Exception {
        Path file = folder.resolve("turned-" + degrees + ".pdf");
        try (PDDocument document = Loader.loadPDF(BAKERY.toFile())) {
            var page = document.getPage(0);
            page.setRotation(degrees);
            PDRectangle box = page.getMediaBox();
            page.setCropBox(new PDRectangle(20, 10, box.getWidth() - 30, box.getHeight() - 15));
            document.save(file.toFile());
        }
        return file;
    }

    @Test
    void eachQuestionHasItsCodeOnNoInkHoweverThePageIsTurned() throws Exception {
        for (int degrees : List.of(0, 90, 180, 270)) {
            Path original = turned(degrees);
            Path stamped = folder.resolve("stamped.pdf");
            List<Area> places = new ArrayList<>();
            List<Asked> asked;
            try (Paper paper = Papers.open(original)) {
                asked = AskedPlaces.of(paper.lines().get(0));
            }
            assertThat(asked).hasSize(2);
            try (StampedPaper paper = StampedPaper.open(original)) {
                Placed placed = CodePlaces.beside(
                        paper.sheet(0),
                        asked.stream().map(Asked::wanted).toList(),
                        CodePrint.forDistance(CodeSymbol.of(address(1)), CodePrint.DESK_DISTANCE_MM));
                placed.places().forEach(place -> places.add(place.orElseThrow().area()));
                paper.draw(0, placed, i -> CodeImage.of(address(i + 1)));
                paper.save(original, stamped);
            }
            try (PDDocument document = Loader.loadPDF(stamped.toFile());
                    PDDocument before = Loader.loadPDF(original.toFile())) {
                List<Found> found = CodeReader.read(new PDFRenderer(document).renderImageWithDPI(0, 300));
                assertThat(found).as("turned by %d", degrees).hasSize(2);
                for (Found code : found) {
                    Area said = places.get(code.text().equals(address(1)) ? 0 : 1);
                    assertThat(code.area().middleX())
                            .isCloseTo(said.middleX(), org.assertj.core.data.Offset.offset(0.01));
                    assertThat(code.area().middleY())
                            .isCloseTo(said.middleY(), org.assertj.core.data.Offset.offset(0.01));
                }
                BufferedImage plain = new PDFRenderer(before).renderImageWithDPI(0, 150);
                for (Area place : places) {
                    assertThat(isPlain(plain, place)).as("nothing is covered").isTrue();
                }
                assertThat(new PDFTextStripper().getText(document)).isEqualTo(new PDFTextStripper().getText(before));
            }
            byte[] first = Files.readAllBytes(original);
            assertThat(java.util.Arrays.copyOf(Files.readAllBytes(stamped), first.length))
                    .isEqualTo(first);
        }
    }

    @Test
    void whatHasNoRoomStandsOnASheetAtTheEnd() throws Exception {
        List<Code> codes = new ArrayList<>();
        try (Paper paper = Papers.open(BAKERY)) {
            List<Asked> asked = AskedPlaces.of(paper.lines().get(0));
            codes.add(new Code(
                    1, "7) First", address(1), "maple otter 7", asked.get(0).wanted()));
            // Nobody knows where this one stands.
            codes.add(new Code(2, "Ladybird", address(2), "maple otter 7", null));
        }
        Path stamped = folder.resolve("rest.pdf");
        try (StampedPaper paper = StampedPaper.open(BAKERY)) {
            int pages = paper.pages();
            Stamped done = Stamping.stamp(paper, codes, Manner.EACH_QUESTION_REST_AT_END, CodePrint.DESK_DISTANCE_MM);
            assertThat(done.left()).isEmpty();
            assertThat(done.standing()).extracting(Standing::page).containsExactly(1, pages + 1);
            paper.save(BAKERY, stamped);
        }
        assertThat(scanned(Files.readAllBytes(stamped))).contains(address(1), address(2));
        try (PDDocument document = Loader.loadPDF(stamped.toFile())) {
            PDFTextStripper onFirst = new PDFTextStripper();
            onFirst.setEndPage(1);
            assertThat(onFirst.getText(document))
                    .as("what is typed stands at the code")
                    .contains("7  maple otter 7");
        }
        byte[] first = Files.readAllBytes(BAKERY);
        assertThat(java.util.Arrays.copyOf(Files.readAllBytes(stamped), first.length))
                .isEqualTo(first);
    }

    private static boolean isPlain(BufferedImage picture, Area area) {
        int ground = picture.getRGB((int) (area.x() * picture.getWidth()), (int) (area.y() * picture.getHeight()));
        for (int y = (int) (area.y() * picture.getHeight()); y < area.bottom() * picture.getHeight() - 1; y++) {
            for (int x = (int) (area.x() * picture.getWidth()); x < area.right() * picture.getWidth() - 1; x++) {
                if (picture.getRGB(x, y) != ground) {
                    return false;
                }
            }
        }
        return true;
    }

    @Test
    void sheetsOfAllLayoutsAreScannedAndNamesOfAllKindsAreDrawn() throws Exception {
        List<Item> items = new ArrayList<>();
        for (String name : List.of(
                "The bird bath", "🐞 Ladybird", "שלום עולם", "x".repeat(300), "A name that goes on ".repeat(15))) {
            items.add(new Item(name, "HTTP://10.0.0.7:8080/C/ABCDEFGHJ" + (items.size() + 2), "maple otter 7", null));
        }
        for (Layout layout : Layout.values()) {
            for (SheetPaper paper : SheetPaper.values()) {
                CodeSheet sheet = CodeSheet.of(items, layout, CodeCard.grid(layout, paper), 1);
                assertThat(sheet.leftOut()).isEmpty();
                assertThat(SheetSvg.of(sheet, 0)).startsWith("<svg").contains("mm\"");
                if (paper == SheetPaper.A4) {
                    assertThat(scanned(SheetPdf.of(sheet, "Codes")))
                            .as("%s", layout)
                            .hasSize(items.size());
                }
            }
        }
        Item tooLong = new Item("n", "https://x.example/" + "y".repeat(3_000), "", null);
        assertThat(CodeSheet.of(List.of(tooLong), Layout.SIGNS, CodeCard.grid(Layout.SIGNS, SheetPaper.A4), 0)
                        .leftOut())
                .containsExactly(tooLong);
    }

    private static List<String> scanned(byte[] pdf) throws Exception {
        List<String> texts = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                CodeReader.read(new PDFRenderer(document).renderImageWithDPI(page, 150))
                        .forEach(found -> texts.add(found.text()));
            }
            assertThat(new PDFTextStripper().getText(document)).contains("maple otter 7", "Ladybird");
        }
        return texts;
    }
}
