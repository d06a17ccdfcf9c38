package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.data.Offset.offset;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.code.SheetGrid.Misfit;
import prolalia.core.code.SheetGrid.MisfitException;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/** How large codes are, where they stand on a sheet and on a page, and what is typed in their place. */
class CodeRulesTest {
    private static final String ADDRESS = "HTTPS://LESSONS.SCHOOL.EXAMPLE/C/7KQ2MX93PA";

    @Test
    void aCodeIsAsLargeAsItIsScannedFromAndNeverTooFine() throws Exception {
        CodeSymbol symbol = CodeSymbol.of(ADDRESS);
        assertThat(symbol.alphanumeric()).isTrue();
        assertThat(CodeSymbol.of(ADDRESS.toLowerCase()).modules())
                .as("capitals are smaller")
                .isGreaterThan(symbol.modules());
        assertThat(CodePrint.forDistance(symbol, 1_000).widthMm()).isEqualTo(100);
        assertThat(CodePrint.forDistance(symbol, 10).moduleMm()).isEqualTo(CodePrint.SMALLEST_MODULE_MM);
        assertThat(CodePrint.within(symbol, 12)).isEmpty();
        assertThatThrownBy(() -> CodeSymbol.of("x".repeat(2_332))).isInstanceOf(CodeSymbol.TooLongException.class);
    }

    @Test
    void cellsStayOnThePaperAndSaySoWhereTheyDoNot() throws Exception {
        for (LabelSheet sheet : LabelSheet.values()) {
            SheetGrid grid = sheet.grid();
            assertThat(SheetGrid.measured(
                            grid.paper(),
                            grid.columns(),
                            grid.rows(),
                            grid.left(),
                            grid.top(),
                            grid.width(),
                            grid.height(),
                            grid.pitchX(),
                            grid.pitchY()))
                    .isEqualTo(grid);
        }
        assertThat(misfit(4, 3, 70, 30, 70, 30)).isEqualTo(Misfit.TOO_WIDE);
        assertThat(misfit(3, 20, 50, 30, 50, 30)).isEqualTo(Misfit.TOO_HIGH);
        assertThat(misfit(3, 3, 60, 30, 40, 30)).isEqualTo(Misfit.OVERLAP);
        assertThat(misfit(0, 3, 60, 30, 60, 30)).isEqualTo(Misfit.NO_CELLS);
        SheetGrid grid = CodeCard.grid(Layout.GRID, SheetPaper.LETTER);
        assertThat(grid.sheets(9, 7)).isEqualTo(2);
        assertThat(grid.cell(8).sheet()).isEqualTo(1);
    }

    private static Misfit misfit(int columns, int rows, double w, double h, double pitchX, double pitchY) {
        try {
            SheetGrid.measured(SheetPaper.A4, columns, rows, 5, 5, w, h, pitchX, pitchY);
            return null;
        } catch (MisfitException misfit) {
            return misfit.misfit();
        }
    }

    @Test
    void typedCodesAreReadHoweverTheyAreWrittenAndNoTwoWordsAreAlike() {
        TypedCode code = TypedCode.any(new Random(4)::nextInt);
        assertThat(TypedCode.typed("  " + code.words().toUpperCase().replace(' ', '-') + " "))
                .contains(code);
        assertThat(TypedCode.typed(code.words().replaceFirst("[a-z]", "q"))).isEmpty();
        assertThat(TypedCode.typed("")).isEmpty();
        List<String> words = TypedCode.list();
        Set<String> nearly = new HashSet<>();
        for (String word : words) {
            for (int i = 0; i < word.length(); i++) {
                assertThat(nearly.add(word.length() + word.substring(0, i) + "*" + word.substring(i + 1)))
                        .as("%s is like another word", word)
                        .isTrue();
            }
        }
        assertThat(TypedCode.all()).isGreaterThan(400_000);
    }

    /** A4 with three questions of two rows each; the second one is as wide as the paper. */
    @Test
    void codesStandBesideTheirQuestionsOnNoInkAndSayWhereThereIsNoRoom() throws Exception {
        int width = 840;
        int height = 1_188;
        byte[] light = new byte[width * height];
        java.util.Arrays.fill(light, (byte) 255);
        List<Area> rows =
                List.of(new Area(0.1, 0.1, 0.5, 0.02), new Area(0.01, 0.3, 0.98, 0.3), new Area(0.1, 0.7, 0.5, 0.02));
        for (Area row : rows) {
            for (int y = (int) (row.y() * height); y < row.bottom() * height; y++) {
                for (int x = (int) (row.x() * width); x < row.right() * width; x += 2) {
                    light[y * width + x] = 0;
                }
            }
        }
        InkMap ink = InkMap.of(width, height, light);
        List<Wanted> wanted = rows.stream().map(row -> new Wanted(row, row)).toList();
        CodePrint print = CodePrint.forDistance(CodeSymbol.of(ADDRESS), 180);
        Placed placed = CodePlaces.beside(new Sheet(210, 297, ink, List.of()), wanted, print);
        Place first = placed.places().get(0).orElseThrow();
        assertThat(first.hairline()).isNull();
        assertThat(first.area().x()).as("to the right of its words").isGreaterThan(0.6);
        assertThat(first.area().middleY()).isBetween(0.09, 0.2);
        for (var place : placed.places()) {
            place.ifPresent(at -> assertThat(ink.isFree(at.area())).isTrue());
        }
        Area under = CodeWords.places(new Sheet(210, 297, ink, List.of()), placed)
                .get(0)
                .orElseThrow();
        assertThat(ink.isFree(under)).isTrue();
        assertThat(under.y()).as("right under its code").isCloseTo(first.area().bottom(), offset(0.001));
        Area taken = new Area(0, first.area().bottom(), 1, 0.02);
        Area above = CodeWords.places(new Sheet(210, 297, ink, List.of(taken)), placed)
                .get(0)
                .orElseThrow();
        assertThat(above.bottom()).as("else above it").isCloseTo(first.area().y(), offset(0.001));
        Area field = new Area(0.6, 0.02, 0.4, 0.24);
        Place elsewhere = CodePlaces.beside(new Sheet(210, 297, ink, List.of(field)), wanted, print)
                .places()
                .get(0)
                .orElseThrow();
        assertThat(elsewhere.area().touches(field))
                .as("a field is no free place")
                .isFalse();
        byte[] squares = new byte[64 * 64];
        for (int i = 0; i < squares.length; i++) {
            squares[i] = (byte) ((i + i / 64) % 2 * 255);
        }
        InkMap full = InkMap.of(64, 64, squares);
        assertThat(CodePlaces.beside(new Sheet(210, 297, full, List.of()), wanted, print)
                        .places())
                .allMatch(java.util.Optional::isEmpty);
    }

    /** Thirty short questions, a row each, 8 mm apart. */
    @Test
    void noCodeIsNearerToAnotherQuestionOrToTheEdgeAndEachBearsItsNumberWhereThereIsRoom() throws Exception {
        int width = 840;
        int height = 1_188;
        byte[] light = new byte[width * height];
        java.util.Arrays.fill(light, (byte) 255);
        List<Wanted> wanted = new java.util.ArrayList<>();
        for (int i = 0; i < 30; i++) {
            Area row = new Area(0.1, (25 + 8 * i) / 297.0, 0.3 + 0.05 * (i % 4), 4 / 297.0);
            wanted.add(new Wanted(row, row));
            for (int y = (int) (row.y() * height); y < row.bottom() * height; y++) {
                for (int x = (int) (row.x() * width); x < row.right() * width; x += 2) {
                    light[y * width + x] = 0;
                }
            }
        }
        Sheet sheet = new Sheet(210, 297, InkMap.of(width, height, light), List.of());
        Placed placed = CodePlaces.beside(sheet, wanted, CodePrint.forDistance(CodeSymbol.of(ADDRESS), 180));
        assertThat(placed.places().stream().filter(java.util.Optional::isPresent))
                .hasSizeGreaterThan(5);
        for (int own = 0; own < wanted.size(); own++) {
            if (placed.places().get(own).isEmpty()) {
                continue;
            }
            var at = sheet.mm(placed.places().get(own).get().area());
            double toOwn = at.gap(sheet.mm(wanted.get(own).whole()));
            for (Wanted other : wanted) {
                assertThat(at.gap(sheet.mm(other.whole()))).isGreaterThanOrEqualTo(toOwn - 1e-9);
            }
            assertThat(at.x()).isGreaterThanOrEqualTo(8);
            assertThat(at.right()).isLessThanOrEqualTo(202);
            assertThat(at.y()).isGreaterThanOrEqualTo(8);
            assertThat(at.bottom()).isLessThanOrEqualTo(289);
        }
        List<java.util.Optional<Area>> words = CodeWords.places(sheet, placed);
        List<java.util.Optional<Area>> numbers = CodeWords.numbers(sheet, placed, words);
        for (int i = 0; i < 30; i++) {
            if (placed.places().get(i).isPresent()) {
                assertThat(words.get(i).isPresent() || numbers.get(i).isPresent())
                        .as("number of %d", i)
                        .isTrue();
            }
        }
    }
}
