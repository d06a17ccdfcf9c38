package prolalia.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where lines are pressed: no place lies over another, whatever stands on the page. */
class PressAreasTest {
    private static final double TOUCH = 1e-6;

    private static boolean overlap(Area one, Area other) {
        return Math.min(one.right(), other.right()) - Math.max(one.x(), other.x()) > TOUCH
                && Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y()) > TOUCH;
    }

    private static boolean holds(Area whole, Area part) {
        return whole.x() <= part.x() + TOUCH
                && whole.y() <= part.y() + TOUCH
                && whole.right() >= part.right() - TOUCH
                && whole.bottom() >= part.bottom() - TOUCH;
    }

    /** Rows in two columns, of uneven height, some lines of several rows. */
    private static List<List<Area>> page(Random random) {
        List<List<Area>> rows = new ArrayList<>();
        for (double left : new double[] {0.06, 0.54}) {
            double y = 0.03 + 0.03 * random.nextDouble();
            while (y < 0.9) {
                double height = 0.012 + 0.02 * random.nextDouble();
                List<Area> line = new ArrayList<>();
                for (int row = 0; row <= random.nextInt(3) && y + height < 0.97; row++) {
                    line.add(new Area(left, y, 0.1 + 0.3 * random.nextDouble(), height));
                    y += height * 1.2;
                }
                if (!line.isEmpty()) {
                    rows.add(line);
                }
                y += 0.002 + 0.05 * random.nextDouble();
            }
        }
        return rows;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void placesHoldTheirWordsAndLieOverNoOtherPlace(int seed) {
        List<List<Area>> rows = page(new Random(seed));
        List<Area> taken = List.of(new Area(0.9, 0.02, 0.08, 0.05), new Area(0.45, 0.5, 0.06, 0.04));
        List<Area> high = PressAreas.high(rows, 0.06, taken);
        List<Double> heights = rows.stream().map(row -> row.get(0).h()).toList();
        List<Area> wide = PressAreas.wide(high, Collections.nCopies(rows.size(), null), heights, 0.7, taken);
        for (int i = 0; i < rows.size(); i++) {
            Area words = rows.get(i).stream().reduce(Area::with).orElseThrow();
            assertThat(holds(high.get(i), words)).as("words of line %d", i).isTrue();
            assertThat(holds(wide.get(i), high.get(i))).isTrue();
            assertThat(wide.get(i).y()).isGreaterThanOrEqualTo(-TOUCH);
            assertThat(wide.get(i).bottom()).isLessThanOrEqualTo(1 + TOUCH);
            for (int j = 0; j < i; j++) {
                assertThat(overlap(wide.get(i), wide.get(j)))
                        .as("lines %d and %d", i, j)
                        .isFalse();
            }
            for (Area other : taken) {
                assertThat(overlap(wide.get(i), other))
                        .as("line %d and what else is pressed", i)
                        .isFalse();
            }
        }
    }

    @Test
    void whereThereIsRoomAPlaceIsAsHighAsAFinger() {
        List<Area> alone = PressAreas.high(List.of(List.of(new Area(0.1, 0.5, 0.3, 0.02))), 0.07, List.of());
        assertThat(alone.get(0).h()).isGreaterThanOrEqualTo(0.07 - TOUCH);
        List<Area> atTheTop = PressAreas.high(List.of(List.of(new Area(0.1, 0.005, 0.3, 0.02))), 0.07, List.of());
        assertThat(atTheTop.get(0).h()).as("it grows down then").isGreaterThanOrEqualTo(0.07 - TOUCH);
    }
}
