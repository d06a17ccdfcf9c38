package prolalia.core.sound;

import java.util.Locale;

/**
 * Draws a take as handwriting on a ruled line: one stroke that rises with the loudness and rests on the rule in pauses.
 *
 * @param path the {@code d} of an SVG path
 * @param width of the stroke, the same unit as the width it was drawn for
 */
public record InkTrace(String path, double width) {
    /** The distance of an upward stroke from the next one. */
    private static final double STROKE = 6.2;

    /** Room under the rule, as under a line of handwriting. */
    public static final double DESCENT = 6;

    /** Levelled speech peaks at about this magnitude, which is drawn at full height. */
    private static final double FULL_HEIGHT = 0.85;

    /**
     * @param width for the whole take
     * @param height of the line, rule and descent included
     */
    public static InkTrace of(Peaks peaks, double width, double height) {
        double rule = height - DESCENT;
        StringBuilder path = new StringBuilder("M0 ").append(number(rule));
        int strokes = peaks.values().length == 0 ? 0 : (int) Math.max(2, Math.round(width / STROKE));
        boolean resting = true;
        for (int i = 0; i < strokes; i++) {
            double magnitude =
                    Math.min(1, peaks.largestBetween((double) i / strokes, (i + 1.0) / strokes) / FULL_HEIGHT);
            double rise = magnitude * (rule - 2);
            boolean quiet = rise < 1.2;
            if (quiet && resting) {
                continue;
            }
            double x = width * i / strokes;
            if (resting) {
                path.append(" L").append(number(x)).append(' ').append(number(rule));
            }
            if (!quiet) {
                double step = width / strokes;
                path.append(" L").append(number(x + step * 0.45)).append(' ').append(number(rule - rise));
                path.append(" L").append(number(x + step)).append(' ').append(number(rule - rise * 0.1));
            } else {
                path.append(" L").append(number(x)).append(' ').append(number(rule));
            }
            resting = quiet;
        }
        path.append(" L").append(number(width)).append(' ').append(number(rule));
        return new InkTrace(path.toString(), width);
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.1f", value);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }
}
