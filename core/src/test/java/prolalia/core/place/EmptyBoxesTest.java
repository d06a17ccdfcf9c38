package prolalia.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class EmptyBoxesTest {
    private static final int WIDTH = 600;
    private static final int HEIGHT = 800;

    private final byte[] page = new byte[WIDTH * HEIGHT];

    EmptyBoxesTest() {
        Arrays.fill(page, (byte) 255);
    }

    private void fill(int left, int top, int right, int bottom, int grey) {
        for (int y = top; y < bottom; y++) {
            Arrays.fill(page, y * WIDTH + left, y * WIDTH + right, (byte) grey);
        }
    }

    private void frame(int left, int top, int right, int bottom) {
        fill(left, top, right, top + 1, 0);
        fill(left, bottom - 1, right, bottom, 0);
        fill(left, top, left + 1, bottom, 0);
        fill(right - 1, top, right, bottom, 0);
    }

    private static boolean isAbout(Area area, int left, int top, int right, int bottom) {
        return Math.abs(area.x() * WIDTH - left) <= 3
                && Math.abs(area.y() * HEIGHT - top) <= 3
                && Math.abs(area.right() * WIDTH - right) <= 3
                && Math.abs(area.bottom() * HEIGHT - bottom) <= 3;
    }

    @Test
    void framesCellsAndPanelsWithNothingInThemAreFound() {
        frame(100, 100, 400, 250);
        // Two cells.
        frame(100, 300, 500, 360);
        fill(300, 300, 301, 360, 0);
        // A panel of another shade, without a frame.
        fill(100, 500, 500, 600, 225);
        // With round corners.
        frame(100, 650, 400, 750);
        for (int corner = 0; corner < 8; corner++) {
            fill(100, 650 + corner, 108 - corner, 651 + corner, 0);
        }
        assertThat(EmptyBoxes.of(InkMap.of(WIDTH, HEIGHT, page)))
                .satisfiesExactly(
                        box -> assertThat(isAbout(box, 101, 101, 399, 249)).isTrue(),
                        box -> assertThat(isAbout(box, 101, 301, 300, 359)).isTrue(),
                        box -> assertThat(isAbout(box, 301, 301, 499, 359)).isTrue(),
                        box -> assertThat(isAbout(box, 100, 500, 500, 600)).isTrue(),
                        box -> assertThat(isAbout(box, 101, 651, 399, 749)).isTrue());
    }

    @Test
    void whatIsOpenSmallOrFullIsNone() {
        // A frame round the page, a box to tick, one that isn't closed, one with a picture in it.
        frame(5, 5, 595, 795);
        frame(100, 100, 115, 115);
        frame(100, 200, 400, 300);
        fill(200, 299, 260, 300, 255);
        frame(100, 400, 400, 600);
        fill(150, 450, 350, 550, 90);
        assertThat(EmptyBoxes.of(InkMap.of(WIDTH, HEIGHT, page)))
                .noneMatch(box -> isAbout(box, 101, 201, 399, 299) || isAbout(box, 101, 401, 399, 599))
                .noneMatch(box -> box.w() < 0.05);
    }
}
