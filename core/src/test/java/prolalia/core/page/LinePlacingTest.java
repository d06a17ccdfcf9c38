package prolalia.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import prolalia.core.page.LinePlacing.LinePlace;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.core.place.WordPlaces;

class LinePlacingTest {
    private static final int SIZE = 1_000;

    /** Portrait paper. */
    private static final double ASPECT = 0.707;

    private static InkMap ink(List<List<Area>> lines) {
        byte[] page = new byte[SIZE * SIZE];
        java.util.Arrays.fill(page, (byte) 255);
        for (List<Area> rows : lines) {
            for (Area row : rows) {
                for (int y = (int) (row.y() * SIZE); y < row.bottom() * SIZE; y++) {
                    for (int x = (int) (row.x() * SIZE); x < row.right() * SIZE; x++) {
                        page[y * SIZE + x] = (byte) ((x + y) % 3 == 0 ? 0 : 255);
                    }
                }
            }
        }
        return InkMap.of(SIZE, SIZE, page);
    }

    private static double shared(Area one, Area other) {
        double w = Math.min(one.right(), other.right()) - Math.max(one.x(), other.x());
        double h = Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y());
        return w <= 1e-9 || h <= 1e-9 ? 0 : w * h;
    }

    private static void isInOrder(List<List<Area>> lines, List<LinePlace> places, InkMap ink) {
        for (int i = 0; i < places.size(); i++) {
            LinePlace place = places.get(i);
            assertThat(place.press().w() * place.press().h()).as("line %d", i).isPositive();
            if (place.tab() != null) {
                assertThat(ink.isFree(place.tab())).as("tab %d is off ink", i).isTrue();
            }
            for (int j = 0; j < places.size(); j++) {
                Area other = places.get(j).press();
                assertThat(i == j ? 0 : shared(place.press(), other))
                        .as("%d and %d", i, j)
                        .isLessThan(1e-9);
                if (i != j && place.tab() != null) {
                    assertThat(shared(place.tab(), other))
                            .as("tab %d on line %d", i, j)
                            .isLessThan(1e-5);
                }
            }
        }
    }

    @Test
    void aListHasItsTabsInOneColumnAndIsHighEnoughForAChild() {
        List<List<Area>> lines = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            lines.add(List.of(new Area(0.12 + (i % 3 == 1 ? 0.04 : 0), 0.1 + i * 0.08, 0.5, 0.02)));
        }
        List<LinePlace> places = LinePlacing.place(lines, ink(lines), List.of(), ASPECT);
        isInOrder(lines, places, ink(lines));
        assertThat(places)
                .extracting(place -> place.tab().x())
                .containsOnly(places.get(0).tab().x());
        assertThat(places)
                .extracting(place -> place.tab().w())
                .containsOnly(places.get(0).tab().w());
        assertThat(places).allSatisfy(place -> {
            assertThat(place.press().h()).isGreaterThanOrEqualTo(LinePlacing.LEAST_HIGH * ASPECT - 1e-6);
            assertThat(place.press().with(place.tab())).isEqualTo(place.press());
        });
    }

    @Test
    void choicesInARowHaveColumnsOfTheirOwnAndDenseLinesAreHalfAGapApart() {
        List<List<Area>> lines = new ArrayList<>();
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                lines.add(List.of(new Area(0.1 + column * 0.3, 0.2 + row * 0.03, 0.1, 0.015)));
            }
        }
        List<LinePlace> places = LinePlacing.place(lines, ink(lines), List.of(), ASPECT);
        isInOrder(lines, places, ink(lines));
        assertThat(places.stream()
                        .filter(place -> place.tab() != null)
                        .map(place -> place.tab().x())
                        .distinct())
                .hasSize(3);
        assertThat(places.get(0).press().bottom())
                .isEqualTo(places.get(3).press().y());
    }

    @Test
    void linesThatAreReadFromTheRightHaveTheirTabsThere() {
        List<List<Area>> lines =
                List.of(List.of(new Area(0.3, 0.1, 0.6, 0.02)), List.of(new Area(0.5, 0.2, 0.4, 0.02)));
        List<LinePlace> places = LinePlacing.place(
                lines, List.of(new WordPlaces("80000,10,9,2=a 70000,10,9,2=b")), ink(lines), List.of(), ASPECT);
        isInOrder(lines, places, ink(lines));
        assertThat(places).allSatisfy(place -> assertThat(place.tab().x()).isGreaterThan(0.9));
    }

    @Test
    void linesAtTheSamePlaceAreBothPressed() {
        Area same = new Area(0.2, 0.2, 0.4, 0.05);
        List<List<Area>> lines = List.of(List.of(same), List.of(same), List.of(new Area(0.25, 0.21, 0.1, 0.02)));
        isInOrder(lines, LinePlacing.place(lines, InkMap.blank(), List.of(), ASPECT), InkMap.blank());
    }

    /** Paragraphs of one to four rows, choices beside each other, indented, dense and loose; other things among them. */
    @RepeatedTest(60)
    void nothingThatIsPressedLiesOverSomethingElse(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        List<List<Area>> lines = new ArrayList<>();
        double height = 0.012 + 0.02 * random.nextDouble();
        double y = 0.03 + 0.05 * random.nextDouble();
        while (y + 5 * height < 1) {
            double x = 0.02 + 0.2 * random.nextDouble();
            if (random.nextInt(3) == 0) {
                for (double at = x; at + 0.12 < 0.97; at += 0.14 + 0.2 * random.nextDouble()) {
                    lines.add(List.of(new Area(at, y, 0.1, height)));
                }
                y += height;
            } else {
                List<Area> rows = new ArrayList<>();
                for (int row = random.nextInt(4); row >= 0; row--) {
                    rows.add(new Area(x, y, row == 0 ? 0.1 + 0.3 * random.nextDouble() : 0.7, height));
                    y += height * (1 + random.nextDouble() * (row == 0 ? 0 : 0.5));
                }
                lines.add(rows);
            }
            y += height * (0.2 + 2 * random.nextDouble());
        }
        isInOrder(
                lines,
                LinePlacing.place(lines, ink(lines), List.of(new Area(0.8, 0.9, 0.1, 0.05)), ASPECT),
                ink(lines));
    }
}
