package prolalia.core.intake;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a line on a paper begins with when it is one of several: a number, a letter, or a box to tick.
 *
 * @param ordinal the number; 1 for A; 0 for a box
 * @param length of the marker and the space after it, in characters
 */
record Marker(Type type, int ordinal, int length) {
    enum Type {
        NUMBER,
        LETTER,
        BOX
    }

    /** 1. · 1) · 1: · (1) · Q1 · Q1. · Question 1 · 1.2 is none: there is no space after its point. */
    private static final Pattern NUMBER = Pattern.compile(
            "^(?:(?:Q|Question|No\\.?)\\s*(\\d{1,3})\\s*[.):]?|\\(\\s*(\\d{1,3})\\s*\\)|(\\d{1,3})\\s*[.):])(?:\\s+|$)",
            Pattern.CASE_INSENSITIVE);

    /** A. · a) · (A) · A: · a ) */
    private static final Pattern LETTER =
            Pattern.compile("^(?:\\(\\s*([A-Ha-h])\\s*\\)|([A-Ha-h])\\s?[.)]|([A-H]):)(?:\\s+|$)");

    /** Boxes and rings that are drawn as letters, also by the symbol fonts of word processors; [ ] and ( ). */
    private static final Pattern BOX = Pattern.compile(
            "^(?:[\\u2610\\u25A1\\u25A2\\u25CB\\u25EF\\u274D\\u274F\\u2751\\u25FB\\u2B1C\\u26AA\\uF06F\\uF0A8\\uF071\\uF0A1\\uF06D]|\\[\\s*]|\\(\\s+\\))\\s*");

    /** As it stands before a line. */
    String on(String text) {
        return text.substring(0, length).strip();
    }

    /** Whether it is a number or a letter, which somebody may say. */
    boolean isSaid() {
        return type != Type.BOX;
    }

    static Optional<Marker> of(String text) {
        Matcher number = NUMBER.matcher(text);
        if (number.find()) {
            return Optional.of(new Marker(Type.NUMBER, Integer.parseInt(firstGroup(number)), number.end()));
        }
        Matcher letter = LETTER.matcher(text);
        if (letter.find()) {
            int ordinal = Character.toUpperCase(firstGroup(letter).charAt(0)) - 'A' + 1;
            return Optional.of(new Marker(Type.LETTER, ordinal, letter.end()));
        }
        Matcher box = BOX.matcher(text);
        if (box.find()) {
            return Optional.of(new Marker(Type.BOX, 0, box.end()));
        }
        return Optional.empty();
    }

    private static String firstGroup(Matcher found) {
        for (int group = 1; group <= found.groupCount(); group++) {
            if (found.group(group) != null) {
                return found.group(group);
            }
        }
        throw new IllegalStateException("No group in " + found);
    }
}
