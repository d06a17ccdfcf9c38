package prolalia.core.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Finds the boxes of a picture in which there is nothing yet: a piece of plain ground that is closed in by ink and fills nearly
 * all of a rectangle (connected components of what is free). Cells of a table are boxes too; corners may be round; a frame that
 * isn't closed, as a dashed one, is none. Stateless and thread-safe.
 */
public final class EmptyBoxes {
    /** Smaller ones are to be ticked, or are the inside of a letter, as shares of the page. */
    private static final double LEAST_WIDTH = 0.08;

    private static final double LEAST_HEIGHT = 0.022;

    /** A larger one is the frame of the page. */
    private static final double LARGEST = 0.8;

    /** So much of its rectangle is free ground. */
    private static final double FILLED = 0.94;

    private static final int MOST = 100;

    private EmptyBoxes() {}

    /** @return the inside of each, from the top, from the left; at most {@value #MOST} */
    public static List<Area> of(InkMap ink) {
        int width = ink.width();
        int height = ink.height();
        boolean[] seen = new boolean[width * height];
        int[] waiting = new int[width * height];
        List<Area> boxes = new ArrayList<>();
        for (int at = 0; at < seen.length && boxes.size() < MOST; at++) {
            if (!seen[at] && !ink.isInk(at % width, at / width)) {
                Area box = box(ink, at, seen, waiting);
                if (box != null) {
                    boxes.add(box);
                }
            }
        }
        boxes.sort(Comparator.comparingDouble(Area::y).thenComparingDouble(Area::x));
        return boxes;
    }

    /** The rectangle of the free ground about a point, which is seen from now on; null: it is no box. */
    private static Area box(InkMap ink, int from, boolean[] seen, int[] waiting) {
        int width = ink.width();
        int height = ink.height();
        int left = width;
        int right = 0;
        int top = height;
        int bottom = 0;
        int count = 0;
        int size = 1;
        waiting[0] = from;
        seen[from] = true;
        while (size > 0) {
            int at = waiting[--size];
            int x = at % width;
            int y = at / width;
            count++;
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
            size = wait(ink, x - 1, y, seen, waiting, size);
            size = wait(ink, x + 1, y, seen, waiting, size);
            size = wait(ink, x, y - 1, seen, waiting, size);
            size = wait(ink, x, y + 1, seen, waiting, size);
        }
        int w = right - left + 1;
        int h = bottom - top + 1;
        boolean touchesEdge = left == 0 || top == 0 || right == width - 1 || bottom == height - 1;
        boolean fits = w >= LEAST_WIDTH * width
                && h >= LEAST_HEIGHT * height
                && (double) w * h <= LARGEST * width * height
                && count >= FILLED * w * h;
        return touchesEdge || !fits
                ? null
                : new Area((double) left / width, (double) top / height, (double) w / width, (double) h / height);
    }

    private static int wait(InkMap ink, int x, int y, boolean[] seen, int[] waiting, int size) {
        if (x < 0 || y < 0 || x >= ink.width() || y >= ink.height()) {
            return size;
        }
        int at = y * ink.width() + x;
        if (seen[at] || ink.isInk(x, y)) {
            return size;
        }
        seen[at] = true;
        waiting[size] = at;
        return size + 1;
    }
}
