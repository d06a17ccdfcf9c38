package prolalia.core.code;

import java.util.ArrayList;
import java.util.List;

/**
 * Finds the parts of a picture in which there may be codes: about half of a code is dark, which text, rules and plain ground
 * are not when they are looked at from afar. Darkness counts against the lightest near by, so that a shadow on a photo is no
 * ink. Stateless.
 */
public final class CodeRegions {
    /** Blocks along the longer side: a code is 8 of them wide, and more, when it takes 4 % of it. */
    private static final int BLOCKS = 220;

    /** Blurred over so many blocks to each side. */
    private static final int BLUR = 2;

    /** The lightest is looked for so many blocks to each side. */
    private static final int NEAR = 12;

    private static final double LEAST_DARK = 0.26;
    private static final double MOST_DARK = 0.85;

    /** Blocks of a region, at least. */
    private static final int LEAST = 9;

    /** Around it, in blocks: its quiet zone, and what the blur took. */
    private static final int AROUND = 6;

    private CodeRegions() {}

    /** A part of a picture, in its points. */
    public record Region(int x, int y, int w, int h) {}

    /** @param luminance of each point, row by row, 0 to 255 as unsigned bytes @return regions may overlap */
    public static List<Region> of(int width, int height, byte[] luminance) {
        int block = Math.max(1, Math.max(width, height) / BLOCKS);
        int columns = (width + block - 1) / block;
        int rows = (height + block - 1) / block;
        double[] light = new double[columns * rows];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                light[row * columns + column] = mean(width, height, luminance, column * block, row * block, block);
            }
        }
        double[] lightest = over(columns, rows, light, NEAR, true);
        double[] dark = new double[light.length];
        for (int i = 0; i < dark.length; i++) {
            dark[i] = 1 - light[i] / Math.max(1, lightest[i]);
        }
        dark = over(columns, rows, dark, BLUR, false);
        List<Region> regions = new ArrayList<>();
        boolean[] seen = new boolean[dark.length];
        for (int at = 0; at < dark.length; at++) {
            if (!seen[at] && isLikeCode(dark[at])) {
                Region found = region(columns, rows, dark, seen, at);
                if (found != null) {
                    regions.add(around(found, block, width, height));
                }
            }
        }
        return regions;
    }

    private static boolean isLikeCode(double dark) {
        return dark >= LEAST_DARK && dark <= MOST_DARK;
    }

    private static Region around(Region blocks, int block, int width, int height) {
        int left = Math.max(0, (blocks.x() - AROUND) * block);
        int top = Math.max(0, (blocks.y() - AROUND) * block);
        int right = Math.min(width, (blocks.x() + blocks.w() + AROUND) * block);
        int bottom = Math.min(height, (blocks.y() + blocks.h() + AROUND) * block);
        return new Region(left, top, right - left, bottom - top);
    }

    private static double mean(int width, int height, byte[] luminance, int left, int top, int block) {
        long sum = 0;
        int count = 0;
        for (int y = top; y < Math.min(height, top + block); y++) {
            for (int x = left; x < Math.min(width, left + block); x++) {
                sum += luminance[y * width + x] & 0xff;
                count++;
            }
        }
        return (double) sum / count;
    }

    /** The largest, or the mean, of a square about each block; along rows first, then along columns. */
    private static double[] over(int columns, int rows, double[] values, int reach, boolean largest) {
        double[] across = new double[values.length];
        double[] all = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int column = i % columns;
            across[i] = over(values, i - column, 1, column, columns, reach, largest);
        }
        for (int i = 0; i < values.length; i++) {
            int row = i / columns;
            all[i] = over(across, i % columns, columns, row, rows, reach, largest);
        }
        return all;
    }

    private static double over(double[] values, int from, int step, int at, int count, int reach, boolean largest) {
        double sum = 0;
        double most = 0;
        int first = Math.max(0, at - reach);
        int last = Math.min(count - 1, at + reach);
        for (int i = first; i <= last; i++) {
            double value = values[from + i * step];
            sum += value;
            most = Math.max(most, value);
        }
        return largest ? most : sum / (last - first + 1);
    }

    /** All blocks that touch each other. */
    private static Region region(int columns, int rows, double[] dark, boolean[] seen, int from) {
        int[] waiting = new int[dark.length];
        int size = 1;
        int count = 0;
        waiting[0] = from;
        seen[from] = true;
        int left = columns;
        int right = 0;
        int top = rows;
        int bottom = 0;
        while (size > 0) {
            int at = waiting[--size];
            count++;
            int x = at % columns;
            int y = at / columns;
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
            int[] beside = {x > 0 ? at - 1 : at, x < columns - 1 ? at + 1 : at, at - columns, at + columns};
            for (int next : beside) {
                if (next >= 0 && next < dark.length && !seen[next] && isLikeCode(dark[next])) {
                    seen[next] = true;
                    waiting[size++] = next;
                }
            }
        }
        return count < LEAST ? null : new Region(left, top, right - left + 1, bottom - top + 1);
    }
}
