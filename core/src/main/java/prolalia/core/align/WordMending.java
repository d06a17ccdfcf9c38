package prolalia.core.align;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.Span;

/** Mends when words are said: one moved by hand, or all of them tapped along with the sound. */
public final class WordMending {
    /** No word is shorter. */
    public static final long SHORTEST_MS = 30;

    /** From what is heard to the finger on the key (simple reaction to sound; R. Woodworth, 1938: 140 to 160 ms). */
    public static final long REACTION_MS = 150;

    private WordMending() {}

    /** Whether these are words of a line, in order, each where it stands in it, and said one after another. */
    public static boolean fits(List<Word> words, String line) {
        int at = 0;
        long before = 0;
        for (Word word : words) {
            boolean there = word.text() != null && word.from() >= at && line.startsWith(word.text(), word.from());
            if (!there
                    || word.text().isEmpty()
                    || word.span() == null
                    || word.span().startMs() < before) {
                return false;
            }
            at = word.from() + word.text().length();
            before = word.span().startMs();
        }
        return true;
    }

    /**
     * Moves the beginning of a word; the word before it ends there if it did so before, and never later.
     *
     * @param index of a word that is said
     * @param startMs where it is to begin; it stays between its neighbours
     * @throws IndexOutOfBoundsException if there is no such word
     */
    public static List<Word> moved(List<Word> words, int index, long startMs, long durationMs) {
        List<Integer> said = said(words);
        int nth = said.indexOf(index);
        if (nth < 0) {
            throw new IndexOutOfBoundsException("No word that is said: " + index);
        }
        List<Word> mended = new ArrayList<>(words);
        long least = nth == 0 ? 0 : span(words, said.get(nth - 1)).startMs() + SHORTEST_MS;
        long last = nth + 1 == said.size()
                ? durationMs
                : span(words, said.get(nth + 1)).startMs();
        long start = Math.max(least, Math.min(startMs, last - SHORTEST_MS));
        Span old = span(words, index);
        if (nth > 0) {
            Span before = span(words, said.get(nth - 1));
            long end = before.endMs() == old.startMs() ? start : Math.min(before.endMs(), start);
            set(mended, said.get(nth - 1), before.startMs(), end);
        }
        set(mended, index, start, Math.max(start + SHORTEST_MS, Math.min(old.endMs(), last)));
        return settled(mended);
    }

    /**
     * Times from a press at the beginning of each word.
     *
     * @param tapsMs when the sound was at which place as the key went down; as many as there are words that are said, or fewer:
     *     then the words after them stay as they were, later if they must be
     */
    public static List<Word> tapped(List<Word> words, List<Long> tapsMs, long durationMs) {
        List<Integer> said = said(words);
        List<Word> mended = new ArrayList<>(words);
        long before = -SHORTEST_MS;
        for (int nth = 0; nth < said.size(); nth++) {
            Span old = span(words, said.get(nth));
            long wanted = nth < tapsMs.size() ? tapsMs.get(nth) - REACTION_MS : old.startMs();
            long room = durationMs - SHORTEST_MS * (said.size() - nth);
            long start = Math.max(before + SHORTEST_MS, Math.min(wanted, Math.max(room, before + SHORTEST_MS)));
            set(mended, said.get(nth), start, Math.max(start + SHORTEST_MS, start + old.durationMs()));
            before = start;
        }
        // A word ends where the next one begins, unless there is a pause in between.
        for (int nth = 0; nth < said.size(); nth++) {
            Span own = span(mended, said.get(nth));
            long next = nth + 1 < said.size() ? span(mended, said.get(nth + 1)).startMs() : durationMs;
            set(mended, said.get(nth), own.startMs(), Math.max(own.startMs(), Math.min(own.endMs(), next)));
        }
        return settled(mended);
    }

    private static List<Integer> said(List<Word> words) {
        return IntStream.range(0, words.size())
                .filter(i -> words.get(i).span().durationMs() > 0)
                .boxed()
                .toList();
    }

    private static Span span(List<Word> words, int index) {
        return words.get(index).span();
    }

    private static void set(List<Word> words, int index, long startMs, long endMs) {
        Word word = words.get(index);
        words.set(index, new Word(word.text(), word.from(), new Span(startMs, endMs)));
    }

    /** What isn't said, such as a dash, stands where the word before it ends. */
    private static List<Word> settled(List<Word> words) {
        long at = 0;
        for (int i = 0; i < words.size(); i++) {
            if (words.get(i).span().durationMs() == 0) {
                set(words, i, at, at);
            }
            at = span(words, i).endMs();
        }
        return List.copyOf(words);
    }
}
