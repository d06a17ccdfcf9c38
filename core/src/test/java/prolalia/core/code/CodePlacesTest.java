package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.code.CodePlaces.Box;
import prolalia.core.code.CodePlaces.Hairline;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/** Where codes stand on an A4 paper of which we know each millimetre. */
class CodePlacesTest {
    private static final int POINTS = 4;
    private static final int W = 210 * POINTS;
    private static final int H = 297 * POINTS;

    private final byte[] light = new byte[W * H];
    private final CodePrint print = CodePrint.forDistance(CodeSymbol.of("HTTPS://A.EXAMPLE/C/7KQ2MX93PA"), 180);

    CodePlacesTest() throws Exception {
        Arrays.fill(light, (byte) 255);
    }

    /** Ink in mm, as fine stripes. */
    private Area ink(double x, double y, double w, double h) {
        for (int row = (int) (y * POINTS); row < (y + h) * POINTS && row < H; row++) {
            for (int column = (int) (x * POINTS); column < (x + w) * POINTS && column < W; column += 2) {
                light[row * W + column] = 0;
            }
        }
        return new Area(x / 210, y / 297, w / 210, h / 297);
    }

    private Sheet sheet(Area... others) {
        return new Sheet(210, 297, InkMap.of(W, H, light), List.of(others));
    }

    private static Wanted wanted(Area area) {
        return new Wanted(area, area);
    }

    /** A question with its choices, 40 mm high; its first row is 5 mm high. */
    private Wanted block(double x, double y, double w) {
        return new Wanted(new Area(x / 210, y / 297, w / 210, 5 / 297.0), ink(x, y, w, 40));
    }

    private Box mm(Optional<Place> place) {
        return sheet().mm(place.orElseThrow().area());
    }

    @Test
    void onAFreePageItStandsInTheUpperRightCornerAsFarFromTheEdgeAsPrintersPrint() {
        Box corner = mm(CodePlaces.inCorner(sheet(), print).places().get(0));
        assertThat(corner.right()).isCloseTo(202, within(1e-6));
        assertThat(corner.y()).isCloseTo(8, within(1e-6));
        assertThat(corner.w()).isCloseTo(print.sideMm(), within(1e-6));
    }

    @Test
    void whereThatCornerIsTakenTheLowerOneIs() {
        ink(0, 5, 210, 200);
        Box corner = mm(CodePlaces.inCorner(sheet(), print).places().get(0));
        assertThat(corner.right()).isCloseTo(202, within(1e-6));
        assertThat(corner.bottom()).isBetween(287.0, 289.0);
    }

    @Test
    void whereRoomIsNarrowItIsSmallerAndWhereThereIsNoneItSaysSo() {
        double strip = print.sideMm() * 0.9;
        ink(0, 0, 210, 140);
        ink(0, 140 + strip, 210, 297 - 140 - strip);
        Placed placed = CodePlaces.inCorner(sheet(), print);
        assertThat(placed.print().moduleMm()).isBetween(CodePrint.SMALLEST_MODULE_MM, print.moduleMm() * 0.9);
        assertThat(mm(placed.places().get(0)).y()).isGreaterThanOrEqualTo(140);
        ink(0, 138, 210, strip + 4);
        assertThat(CodePlaces.inCorner(sheet(), print).places()).containsExactly(Optional.empty());
    }

    @Test
    void besideAQuestionItBeginsWithItsFirstRowRightAfterItsWords() {
        Wanted question = block(20, 100, 80);
        Place place = CodePlaces.beside(sheet(), List.of(question), print)
                .places()
                .get(0)
                .orElseThrow();
        Box box = mm(Optional.of(place));
        assertThat(place.hairline()).isNull();
        assertThat(box.x()).isBetween(100.6, 104.0);
        assertThat(box.y()).isBetween(98.0, 101.0);
    }

    @Test
    void codesOfAColumnStandBelowEachOtherToTheRightOfItsLongestLine() {
        List<Wanted> questions = List.of(block(20, 40, 90), block(20, 130, 110), block(20, 220, 100));
        List<Optional<Place>> places =
                CodePlaces.beside(sheet(), questions, print).places();
        for (Optional<Place> place : places) {
            assertThat(mm(place).x()).isBetween(130.6, 134.0);
        }
        assertThat(mm(places.get(0)).bottom()).isLessThan(mm(places.get(1)).y());
    }

    @Test
    void whereTheMarginIsTakenALineLeadsFromFartherAwayAndCrossesNoInk() {
        Wanted question = wanted(ink(10, 100, 190, 60));
        Sheet sheet = sheet();
        Place place = CodePlaces.beside(
                        sheet,
                        List.of(new Wanted(new Area(10 / 210.0, 100 / 297.0, 60 / 210.0, 5 / 297.0), question.whole())),
                        print)
                .places()
                .get(0)
                .orElseThrow();
        assertThat(sheet.ink().isFree(place.area())).isTrue();
        Box box = mm(Optional.of(place));
        assertThat(box.gap(sheet.mm(question.whole()))).isLessThanOrEqualTo(70);
    }

    @Test
    void aFieldToWriteInIsNoFreePlaceAndNoOtherQuestionsCodeIsNearer() {
        Wanted first = wanted(ink(20, 60, 80, 5));
        Wanted second = wanted(ink(20, 90, 80, 5));
        Area field = new Area(100 / 210.0, 50 / 297.0, 102 / 210.0, 26 / 297.0);
        List<Optional<Place>> places =
                CodePlaces.beside(sheet(field), List.of(first, second), print).places();
        places.forEach(place ->
                place.ifPresent(at -> assertThat(at.area().touches(field)).isFalse()));
        Box ofSecond = mm(places.get(1));
        assertThat(ofSecond.gap(sheet().mm(second.whole()))).isLessThan(ofSecond.gap(sheet().mm(first.whole())));
    }

    @Test
    void aLineCrossesWhatItRunsThroughAndNotWhatItEndsBefore() {
        Sheet sheet = sheet();
        Hairline across = new Hairline(0.1, 0.5, 0.9, 0.5);
        assertThat(CodePlaces.crosses(across, new Box(100, 140, 10, 20), sheet)).isTrue();
        assertThat(CodePlaces.crosses(across, new Box(100, 150, 10, 20), sheet)).isFalse();
        assertThat(CodePlaces.crosses(across, new Box(190, 140, 10, 20), sheet)).isFalse();
        assertThat(CodePlaces.crosses(across, new Box(5, 140, 10, 20), sheet)).isFalse();
        assertThat(CodePlaces.crosses(null, new Box(100, 140, 10, 20), sheet)).isFalse();
        Hairline point = new Hairline(0.5, 0.5, 0.5, 0.5);
        assertThat(CodePlaces.crosses(point, new Box(100, 140, 10, 20), sheet)).isTrue();
    }

    @Test
    void gapsAreMeasuredStraightAndAcrossCorners() {
        Box one = new Box(10, 10, 20, 10);
        assertThat(one.gap(new Box(35, 12, 5, 5))).isEqualTo(5);
        assertThat(one.gap(new Box(12, 26, 5, 5))).isEqualTo(6);
        assertThat(one.gap(new Box(33, 24, 5, 5))).isEqualTo(5);
        assertThat(one.gap(new Box(0, 0, 7, 6))).isEqualTo(5);
        assertThat(one.gap(new Box(15, 12, 40, 40))).isZero();
        assertThat(one.gapX(new Box(35, 0, 5, 5))).isEqualTo(5);
        assertThat(one.gapY(new Box(35, 0, 5, 5))).isEqualTo(5);
    }

    @Test
    void wordsStandUnderTheirCodeElseAboveAndANumberAtACornerWhereThereIsNoRoomForThem() {
        Area code = new Area(100 / 210.0, 100 / 297.0, 20 / 210.0, 20 / 297.0);
        Placed placed = new Placed(print, List.of(Optional.of(new Place(code, null)), Optional.empty()));
        assertThat(CodeWords.places(sheet(), placed).get(1)).isEmpty();
        Box under = sheet().mm(CodeWords.places(sheet(), placed).get(0).orElseThrow());
        assertThat(under.y()).isCloseTo(120, within(1e-6));
        assertThat(under.x()).isCloseTo(100, within(1e-6));
        assertThat(under.w()).isCloseTo(20, within(1e-6));
        ink(104, 121, 4, 1);
        Box above = sheet().mm(CodeWords.places(sheet(), placed).get(0).orElseThrow());
        assertThat(above.bottom()).isCloseTo(100, within(1e-6));
        ink(104, 98, 4, 1);
        List<Optional<Area>> words = CodeWords.places(sheet(), placed);
        assertThat(words).containsExactly(Optional.empty(), Optional.empty());
        Box number = sheet().mm(CodeWords.numbers(sheet(), placed, words).get(0).orElseThrow());
        assertThat(number.right()).as("to its left, at its top").isCloseTo(100, within(1e-6));
        assertThat(number.y()).isCloseTo(100, within(1e-6));
        ink(96, 101, 2, 1);
        assertThat(sheet().mm(CodeWords.numbers(sheet(), placed, words).get(0).orElseThrow())
                        .x())
                .as("else to its right")
                .isCloseTo(120, within(1e-6));
    }

    @Test
    void nobodysWordsStandAtTheEdgeOrOnAnotherCode() {
        Area low = new Area(100 / 210.0, 271 / 297.0, 20 / 210.0, 20 / 297.0);
        Placed alone = new Placed(print, List.of(Optional.of(new Place(low, null))));
        assertThat(sheet().mm(CodeWords.places(sheet(), alone).get(0).orElseThrow())
                        .bottom())
                .as("under it is the edge")
                .isCloseTo(271, within(1e-6));
        Area upper = new Area(100 / 210.0, 250 / 297.0, 20 / 210.0, 20 / 297.0);
        Placed two = new Placed(print, List.of(Optional.of(new Place(low, null)), Optional.of(new Place(upper, null))));
        List<Optional<Area>> words = CodeWords.places(sheet(), two);
        assertThat(words.get(0)).isEmpty();
        assertThat(sheet().mm(words.get(1).orElseThrow()).bottom()).isCloseTo(250, within(1e-6));
    }
}
