package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import prolalia.core.code.CodeRegions.Region;

/** Where on a picture codes may be: made pictures, with what a code looks like from afar, and what it doesn't. */
class CodeRegionsTest {
    private static final int W = 880;
    private static final int H = 660;

    private final byte[] light = new byte[W * H];

    CodeRegionsTest() {
        Arrays.fill(light, (byte) 240);
    }

    /** Modules, each light or dark by chance. */
    private void code(int x, int y, int side, int dark) {
        Random chance = new Random(7);
        for (int row = 0; row < side; row += 4) {
            for (int column = 0; column < side; column += 4) {
                fill(x + column, y + row, 4, 4, chance.nextBoolean() ? dark : light[y * W + x + side + 5] & 0xff);
            }
        }
    }

    private void fill(int x, int y, int w, int h, int value) {
        for (int row = y; row < y + h; row++) {
            Arrays.fill(light, row * W + x, row * W + x + w, (byte) value);
        }
    }

    private List<Region> found() {
        return CodeRegions.of(W, H, light);
    }

    private static boolean holds(Region region, int x, int y, int side) {
        return region.x() <= x
                && region.y() <= y
                && region.x() + region.w() >= x + side
                && region.y() + region.h() >= y + side;
    }

    @Test
    void aCodeIsFoundWithItsQuietZoneAndWhatIsNoCodeIsNot() {
        code(100, 80, 120, 20);
        // A rule, a line of small print, a dark picture.
        fill(400, 100, 300, 2, 0);
        for (int letter = 0; letter < 60; letter++) {
            fill(400 + letter * 6, 140, 1, 8, 0);
        }
        fill(450, 300, 200, 200, 5);
        assertThat(found()).anyMatch(region -> holds(region, 100, 80, 120) && region.w() < 240 && region.h() < 240);
        assertThat(found())
                .noneMatch(
                        region -> region.x() < 420 && region.x() + region.w() > 500 && region.y() + region.h() < 200);
        assertThat(found()).noneMatch(region -> holds(region, 500, 350, 100) && region.w() < 150);
    }

    @Test
    void twoCodesAreTwoAndOneAtTheEdgeStaysWithinThePicture() {
        code(0, 0, 100, 20);
        code(600, 440, 120, 20);
        List<Region> all = found();
        assertThat(all).hasSize(2).allSatisfy(region -> {
            assertThat(region.x()).isNotNegative();
            assertThat(region.y()).isNotNegative();
            assertThat(region.x() + region.w()).isLessThanOrEqualTo(W);
            assertThat(region.y() + region.h()).isLessThanOrEqualTo(H);
        });
        assertThat(all).anyMatch(region -> holds(region, 0, 0, 96)).anyMatch(region -> holds(region, 604, 444, 112));
    }

    @Test
    void aShadowOverAPhotoIsNoInkAndACodeInItIsFound() {
        for (int column = 0; column < W; column++) {
            int shade = 240 - column * 170 / W;
            for (int row = 0; row < H; row++) {
                light[row * W + column] = (byte) shade;
            }
        }
        assertThat(found()).isEmpty();
        code(640, 300, 120, 12);
        assertThat(found()).anyMatch(region -> holds(region, 640, 300, 120));
    }

    @Test
    void aBlankPictureHasNone() {
        assertThat(found()).isEmpty();
    }
}
