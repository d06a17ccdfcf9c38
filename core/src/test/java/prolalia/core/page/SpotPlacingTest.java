package prolalia.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

class SpotPlacingTest {
    private static final int WIDTH = 600;
    private static final int HEIGHT = 800;
    private static final double ASPECT = (double) WIDTH / HEIGHT;

    private final byte[] luminance = new byte[WIDTH * HEIGHT];

    SpotPlacingTest() {
        Arrays.fill(luminance, (byte) 250);
    }

    /** Strokes, as words have them. */
    private Area words(double x, double y, double w, double h) {
        for (int row = (int) (y * HEIGHT); row < (y + h) * HEIGHT; row++) {
            for (int column = (int) (x * WIDTH); column < (x + w) * WIDTH; column++) {
                if (column % 3 == 0) {
                    luminance[row * WIDTH + column] = 20;
                }
            }
        }
        return new Area(x, y, w, h);
    }

    private InkMap ink() {
        return InkMap.of(WIDTH, HEIGHT, luminance);
    }

    @Test
    void aMarkStandsBeforeItsLineWhereThereIsAMargin() {
        Area line = words(0.15, 0.2, 0.6, 0.02);
        SpotPlacing.Place place = SpotPlacing.beside(line, ink(), List.of(), ASPECT);
        assertThat(place.free()).isTrue();
        assertThat(place.area().right()).isBetween(0.1, 0.15);
        assertThat(place.area().middleY()).isCloseTo(0.21, org.assertj.core.data.Offset.offset(0.02));
        assertThat(place.area().h()).isCloseTo(place.area().w() * ASPECT, org.assertj.core.data.Offset.offset(1e-9));
    }

    @Test
    void itStandsAfterALineThatBeginsAtTheEdgeAndInsideABoxThatIsWiderThanItsWords() {
        Area line = words(0.01, 0.2, 0.5, 0.02);
        assertThat(SpotPlacing.beside(line, ink(), List.of(), ASPECT).area().x())
                .isBetween(0.5, 0.56);
        Area box = new Area(0.01, 0.18, 0.98, 0.06);
        assertThat(SpotPlacing.beside(box, ink(), List.of(), ASPECT).area().x()).isBetween(0.5, 0.56);
    }

    @Test
    void twoMarksDoNotStandOnEachOtherAndNoMarkStandsOnInk() {
        Random random = new Random(5);
        List<Area> lines = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            lines.add(
                    words(0.12 + random.nextDouble() * 0.2, 0.04 + i * 0.047, 0.3 + random.nextDouble() * 0.3, 0.018));
        }
        InkMap ink = ink();
        List<Area> marks = new ArrayList<>();
        for (Area line : lines) {
            SpotPlacing.Place place = SpotPlacing.beside(line, ink, marks, ASPECT);
            assertThat(place.free()).isTrue();
            assertThat(ink.isFree(place.area())).isTrue();
            assertThat(marks).noneMatch(place.area()::touches);
            assertThat(Math.abs(place.area().middleY() - line.middleY()))
                    .as("near its line")
                    .isLessThan(0.12);
            marks.add(place.area());
        }
    }

    @Test
    void whereThereIsNoRoomItSaysSoAndStaysNear() {
        words(0, 0, 1, 1);
        SpotPlacing.Place place = SpotPlacing.beside(new Area(0.3, 0.5, 0.3, 0.02), ink(), List.of(), ASPECT);
        assertThat(place.free()).isFalse();
        assertThat(place.area().middleY()).isBetween(0.4, 0.6);
    }

    @Test
    void aDarkGroundAndASlowWashAreFree() {
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                luminance[y * WIDTH + x] = (byte) (40 + x * 100 / WIDTH);
            }
        }
        assertThat(ink().isFree(Area.WHOLE)).isTrue();
        assertThat(InkMap.blank().isFree(Area.WHOLE)).isTrue();
    }

    @Test
    void aPlaceThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new Area(Double.NaN, 0, 1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Area(0, 0, -1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> InkMap.of(3, 3, new byte[8])).isInstanceOf(IllegalArgumentException.class);
        assertThat(new Area(0.95, -0.2, 0.1, 0.1).onPage()).isEqualTo(new Area(0.9, 0, 0.1, 0.1));
    }
}
