package prolalia.core.answer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.StringJoiner;

/**
 * What a student answered to one question. Of what its kind doesn't use, there is none.
 *
 * @param chosen ids of choices: those that were chosen, or all of them in the order that they were brought into
 * @param pairs ids of choices, each by that of the one it was put to
 * @param pressed where the picture was pressed
 * @param typed words, or a number
 * @param spoken ids of recordings, one after another
 * @param drawn lines of the pen
 * @param picture SHA-256 of a picture's file, in hexadecimal; null: none
 */
public record AnswerContent(
        List<String> chosen,
        Map<String, String> pairs,
        List<Point> pressed,
        String typed,
        List<String> spoken,
        List<Stroke> drawn,
        String picture) {
    public static final int MOST_CHOSEN = 500;
    public static final int LONGEST_TYPED = 10_000;
    public static final int MOST_PRESSED = 100;
    public static final int MOST_SPOKEN = 20;
    public static final int MOST_STROKES = 2_000;
    public static final int MOST_POINTS = 40_000;

    /** Nothing. */
    public static final AnswerContent NOTHING =
            new AnswerContent(List.of(), Map.of(), List.of(), "", List.of(), List.of(), null);

    /** The same with one more recording, after those that it has. */
    public AnswerContent withSpoken(String recordingId) {
        List<String> all = new ArrayList<>(spoken);
        all.add(recordingId);
        return new AnswerContent(chosen, pairs, pressed, typed, all, drawn, picture);
    }

    /**
     * Whether it is what came of another one by typing or drawing on: nothing else is different, and not all of it was taken away.
     */
    public boolean goesOnFrom(AnswerContent before) {
        boolean written = !before.typed.isEmpty() || !before.drawn.isEmpty();
        boolean leftSome = (before.typed.isEmpty() || !typed.isEmpty()) && (before.drawn.isEmpty() || !drawn.isEmpty());
        return written
                && leftSome
                && new AnswerContent(chosen, pairs, pressed, before.typed, spoken, before.drawn, picture)
                        .equals(before);
    }

    /** A place, in shares of the width and height of what is answered on. */
    public record Point(double x, double y) {}

    /**
     * A line of the pen.
     *
     * @param width in thousandths of the width of what is drawn on
     * @param points x and y in turns, in ten-thousandths of the width and height of what is drawn on
     */
    public record Stroke(int width, List<Integer> points) {
        public static final int SHEET_WIDTH = 10_000;
        public static final int SHEET_HEIGHT = 6_000;

        public Stroke {
            width = Math.max(1, Math.min(100, width));
            points = whole(points);
            if (points.size() % 2 != 0) {
                throw new IllegalArgumentException("an x without a y");
            }
        }

        /** Its points as SVG has them, on a sheet that is {@value #SHEET_WIDTH} wide. @param sheetHeight in the same units */
        public String polyline(int sheetHeight) {
            StringJoiner line = new StringJoiner(" ");
            for (int i = 0; i < points.size(); i += 2) {
                line.add(points.get(i) + "," + points.get(i + 1) * (long) sheetHeight / SHEET_WIDTH);
            }
            return line.toString();
        }
    }

    /** @throws IllegalArgumentException if there is more of it than anybody answers, or something in it is nothing */
    public AnswerContent {
        chosen = whole(chosen);
        pairs = whole(pairs);
        pressed = whole(pressed);
        typed = typed == null ? "" : typed;
        spoken = whole(spoken);
        drawn = whole(drawn);
        int points = drawn.stream().mapToInt(stroke -> stroke.points().size()).sum();
        if (chosen.size() > MOST_CHOSEN
                || pairs.size() > MOST_CHOSEN
                || pressed.size() > MOST_PRESSED
                || typed.length() > LONGEST_TYPED
                || spoken.size() > MOST_SPOKEN
                || drawn.size() > MOST_STROKES
                || points > 2 * MOST_POINTS) {
            throw new IllegalArgumentException("too much of an answer");
        }
    }

    private static <T> List<T> whole(List<T> list) {
        if (list == null) {
            return List.of();
        }
        if (list.stream().anyMatch(Objects::isNull)) {
            throw new IllegalArgumentException("nothing stands in an answer");
        }
        return List.copyOf(list);
    }

    private static Map<String, String> whole(Map<String, String> pairs) {
        if (pairs == null) {
            return Map.of();
        }
        whole(new ArrayList<>(pairs.keySet()));
        whole(new ArrayList<>(pairs.values()));
        return Map.copyOf(pairs);
    }

    public static AnswerContent chosen(String... ids) {
        return new AnswerContent(List.of(ids), null, null, null, null, null, null);
    }

    public static AnswerContent typed(String words) {
        return new AnswerContent(null, null, null, words, null, null, null);
    }

    public static AnswerContent paired(Map<String, String> pairs) {
        return new AnswerContent(null, pairs, null, null, null, null, null);
    }

    public static AnswerContent pressed(Point... points) {
        return new AnswerContent(null, null, List.of(points), null, null, null, null);
    }

    /**
     * What of it is words.
     *
     * @param choices the words of choices by their ids
     */
    public List<String> words(Map<String, String> choices) {
        List<String> words = new ArrayList<>();
        chosen.forEach(id -> words.add(choices.getOrDefault(id, "?")));
        pairs.forEach(
                (one, other) -> words.add(choices.getOrDefault(one, "?") + " – " + choices.getOrDefault(other, "?")));
        pressed.forEach(
                point -> words.add(String.format(Locale.ROOT, "(%.0f %%, %.0f %%)", point.x() * 100, point.y() * 100)));
        if (!typed.isBlank()) {
            words.add(typed);
        }
        return words;
    }

    public boolean isNothing() {
        return chosen.isEmpty()
                && pairs.isEmpty()
                && pressed.isEmpty()
                && typed.isBlank()
                && spoken.isEmpty()
                && drawn.isEmpty()
                && picture == null;
    }
}
