package prolalia.core.place;

/**
 * Where a page's picture has ink: anything that stands out against what is around it. A plain background, dark or light,
 * is free; so is one that changes slowly, as a wash does. Immutable, safe for use by many threads.
 */
public final class InkMap {
    /** Neighbouring points that differ by more than this, of 255, are an edge of something. */
    private static final int EDGE = 14;

    private final int width;
    private final int height;

    /** How many points with ink are above and left of each point, itself not counted: (width + 1) × (height + 1). */
    private final int[] sums;

    private InkMap(int width, int height, int[] sums) {
        this.width = width;
        this.height = height;
        this.sums = sums;
    }

    /**
     * @param luminance of each point, row by row, 0 to 255 as unsigned bytes
     * @throws IllegalArgumentException if there are not width × height of them
     */
    public static InkMap of(int width, int height, byte[] luminance) {
        if (width < 1 || height < 1 || luminance.length != width * height) {
            throw new IllegalArgumentException(width + " × " + height + " is not " + luminance.length);
        }
        int[] sums = new int[(width + 1) * (height + 1)];
        for (int y = 0; y < height; y++) {
            int inRow = 0;
            for (int x = 0; x < width; x++) {
                int here = luminance[y * width + x] & 0xff;
                int right = luminance[y * width + Math.min(width - 1, x + 1)] & 0xff;
                int below = luminance[Math.min(height - 1, y + 1) * width + x] & 0xff;
                if (Math.abs(here - right) > EDGE || Math.abs(here - below) > EDGE) {
                    inRow++;
                }
                sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + inRow;
            }
        }
        return new InkMap(width, height, sums);
    }

    /** A page without a picture. */
    public static InkMap blank() {
        return new InkMap(1, 1, new int[4]);
    }

    /** In points. */
    int width() {
        return width;
    }

    int height() {
        return height;
    }

    /** Whether there is ink at a point. */
    boolean isInk(int x, int y) {
        int row = width + 1;
        return sums[(y + 1) * row + x + 1] - sums[y * row + x + 1] - sums[(y + 1) * row + x] + sums[y * row + x] > 0;
    }

    /** How many points with ink are within a place. */
    public int inkIn(Area area) {
        int left = clamp((int) Math.floor(area.x() * width), width);
        int right = clamp((int) Math.ceil(area.right() * width), width);
        int top = clamp((int) Math.floor(area.y() * height), height);
        int bottom = clamp((int) Math.ceil(area.bottom() * height), height);
        int row = width + 1;
        return sums[bottom * row + right]
                - sums[top * row + right]
                - sums[bottom * row + left]
                + sums[top * row + left];
    }

    public boolean isFree(Area area) {
        return inkIn(area) == 0;
    }

    /** The smallest part of a place that holds all its ink; the place itself when it has none. */
    public Area tight(Area area) {
        if (isFree(area)) {
            return area;
        }
        double left = area.x();
        double top = area.y();
        double right = area.right();
        double bottom = area.bottom();
        double stepX = 1.0 / width;
        double stepY = 1.0 / height;
        while (left + stepX < right && isFree(Area.between(left, top, left + stepX, bottom))) {
            left += stepX;
        }
        while (right - stepX > left && isFree(Area.between(right - stepX, top, right, bottom))) {
            right -= stepX;
        }
        while (top + stepY < bottom && isFree(Area.between(left, top, right, top + stepY))) {
            top += stepY;
        }
        while (bottom - stepY > top && isFree(Area.between(left, bottom - stepY, right, bottom))) {
            bottom -= stepY;
        }
        return Area.between(left, top, right, bottom);
    }

    private static int clamp(int value, int most) {
        return Math.max(0, Math.min(most, value));
    }
}
