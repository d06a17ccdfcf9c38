package prolalia.core.remark;

import java.util.Optional;

/**
 * A passage of a text that may be edited later: what it says, what is around it, and where it stood (W3C Web Annotation Data Model,
 * 4.2.4 TextQuoteSelector and 4.2.5 TextPositionSelector). Immutable.
 *
 * @param exact what it says
 * @param prefix what stands before it, some letters at most
 * @param suffix what stands after it, likewise
 * @param start where it stood, in code points from the beginning of the text
 * @param end where it ended, likewise
 */
public record Passage(String exact, String prefix, String suffix, int start, int end) {
    /** So much of what is around is kept: enough to tell two places apart. */
    public static final int CONTEXT = 32;

    public static final int LONGEST = 10_000;

    /** So much of what is around must still be there, where the passage itself was changed. */
    private static final int ANCHOR = 6;

    /** What stands in its place is so much longer at most. */
    private static final int LONGER_BY = 24;

    public Passage {
        exact = cut(exact, LONGEST);
        prefix = prefix == null ? "" : prefix.substring(Math.max(0, prefix.length() - CONTEXT));
        suffix = cut(suffix, CONTEXT);
        start = Math.max(0, start);
        end = Math.max(start, end);
    }

    private static String cut(String text, int longest) {
        return text == null ? "" : text.substring(0, Math.min(longest, text.length()));
    }

    /**
     * Where a passage is by now.
     *
     * @param start in code points
     * @param end likewise
     * @param changed whether other words stand there than did
     */
    public record Found(int start, int end, boolean changed) {}

    /** The passage from one letter to another. @param from in code points @param to likewise */
    public static Passage of(String text, int from, int to) {
        int length = text.codePointCount(0, text.length());
        int start = Math.max(0, Math.min(length, from));
        int end = Math.max(start, Math.min(length, to));
        int at = text.offsetByCodePoints(0, start);
        int until = text.offsetByCodePoints(0, end);
        return new Passage(
                text.substring(at, until),
                text.substring(Math.max(0, at - CONTEXT), at),
                text.substring(until, Math.min(text.length(), until + CONTEXT)),
                start,
                end);
    }

    /** Where it is in a text as it stands now; empty when it is gone. */
    public Optional<Found> in(String text) {
        if (exact.isEmpty()) {
            return Optional.empty();
        }
        int best = -1;
        double most = -1;
        for (int at = text.indexOf(exact); at >= 0; at = text.indexOf(exact, at + 1)) {
            int around = common(text.substring(0, at), prefix, true)
                    + common(text.substring(at + exact.length()), suffix, false);
            // Of two that have as much around them, the nearer one to where it stood.
            double worth = around - Math.abs(text.codePointCount(0, at) - start) / 1e6;
            if (worth > most) {
                most = worth;
                best = at;
            }
        }
        if (best >= 0) {
            return Optional.of(found(text, best, best + exact.length(), false));
        }
        return between(text);
    }

    /** How many letters are the same, from the end or from the beginning. */
    private static int common(String text, String context, boolean fromEnd) {
        int count = 0;
        while (count < Math.min(text.length(), context.length())
                && (fromEnd
                        ? text.charAt(text.length() - 1 - count) == context.charAt(context.length() - 1 - count)
                        : text.charAt(count) == context.charAt(count))) {
            count++;
        }
        return count;
    }

    /** Its own words were changed: it is what stands between what was around it. */
    private Optional<Found> between(String text) {
        String before = prefix.substring(Math.max(0, prefix.length() - ANCHOR));
        String after = suffix.substring(0, Math.min(ANCHOR, suffix.length()));
        boolean begins = prefix.isEmpty();
        boolean ends = suffix.isEmpty();
        if (begins && ends || before.isBlank() && !begins || after.isBlank() && !ends) {
            return Optional.empty();
        }
        int from = begins ? 0 : text.indexOf(before) + before.length();
        if (!begins && !text.contains(before)) {
            return Optional.empty();
        }
        int to = ends ? text.length() : text.indexOf(after, from);
        boolean isLong = to - from > 2 * exact.length() + LONGER_BY;
        return to <= from || isLong || text.substring(from, to).isBlank()
                ? Optional.empty()
                : Optional.of(found(text, from, to, true));
    }

    private static Found found(String text, int from, int to, boolean changed) {
        return new Found(text.codePointCount(0, from), text.codePointCount(0, to), changed);
    }
}
