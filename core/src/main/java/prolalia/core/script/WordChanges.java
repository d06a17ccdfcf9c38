package prolalia.core.script;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import prolalia.core.lesson.SpokenWords;

/**
 * How the words of a line changed after its take: word by word, by the longest common subsequence (D. Hirschberg, "A linear
 * space algorithm for computing maximal common subsequences", 1975, in its quadratic form). Words that sound the same are
 * the same.
 *
 * <p>Stateless and thread-safe.
 */
public final class WordChanges {
    /** Longer texts are compared as a whole: nobody reads a list of thousands of changed words. */
    private static final int MOST_WORDS = 1_500;

    private WordChanges() {}

    /** What became of some words. */
    public enum Change {
        STAYED,
        REMOVED,
        ADDED
    }

    /** Neighbouring words with the same fate. */
    public record Part(Change change, String words) {}

    /** The parts in reading order, removed words before those that took their place. */
    public static List<Part> between(String before, String now) {
        String[] old = split(before);
        String[] fresh = split(now);
        if (old.length > MOST_WORDS || fresh.length > MOST_WORDS) {
            return List.of(new Part(Change.REMOVED, before.strip()), new Part(Change.ADDED, now.strip()));
        }
        String[] oldSaid = said(old);
        String[] freshSaid = said(fresh);
        int[][] common = commonLengths(oldSaid, freshSaid);
        List<Part> parts = new ArrayList<>();
        List<String> removed = new ArrayList<>();
        List<String> added = new ArrayList<>();
        List<String> stayed = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < old.length || j < fresh.length) {
            if (i < old.length && j < fresh.length && oldSaid[i].equals(freshSaid[j])) {
                flush(Change.REMOVED, removed, parts);
                flush(Change.ADDED, added, parts);
                stayed.add(fresh[j++]);
                i++;
            } else {
                flush(Change.STAYED, stayed, parts);
                if (j == fresh.length || i < old.length && common[i + 1][j] >= common[i][j + 1]) {
                    removed.add(old[i++]);
                } else {
                    added.add(fresh[j++]);
                }
            }
        }
        flush(Change.STAYED, stayed, parts);
        flush(Change.REMOVED, removed, parts);
        flush(Change.ADDED, added, parts);
        return Collections.unmodifiableList(parts);
    }

    private static void flush(Change change, List<String> words, List<Part> parts) {
        if (!words.isEmpty()) {
            parts.add(new Part(change, String.join(" ", words)));
            words.clear();
        }
    }

    /** Words with their punctuation; what has nothing to say is left out. */
    private static String[] split(String text) {
        return Arrays.stream(text.strip().split("\\s+"))
                .filter(word -> !SpokenWords.of(word).isEmpty())
                .toArray(String[]::new);
    }

    private static String[] said(String[] words) {
        return Arrays.stream(words)
                .map(word -> String.join(" ", SpokenWords.of(word)))
                .toArray(String[]::new);
    }

    private static int[][] commonLengths(String[] old, String[] fresh) {
        int[][] length = new int[old.length + 1][fresh.length + 1];
        for (int i = old.length - 1; i >= 0; i--) {
            for (int j = fresh.length - 1; j >= 0; j--) {
                length[i][j] = old[i].equals(fresh[j])
                        ? length[i + 1][j + 1] + 1
                        : Math.max(length[i + 1][j], length[i][j + 1]);
            }
        }
        return length;
    }
}
