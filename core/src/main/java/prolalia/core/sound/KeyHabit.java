package prolalia.core.sound;

import java.util.ArrayList;
import java.util.List;

/**
 * How a reader presses the key of a read-through: mostly somewhat early, or somewhat late, and then so again. Where a
 * recording doesn't say in which pause the key was meant, the habit does. Immutable.
 *
 * @param offsMs of the last keys whose pause was plain, oldest first: from the nearer end of the pause to the key, in ms,
 *     negative where the key came first; 0 within the pause
 */
public record KeyHabit(List<Long> offsMs) {
    /** Nothing is known of this reader yet. */
    public static final KeyHabit UNKNOWN = new KeyHabit(List.of());

    /** Older ones are forgotten: a reader gets tired, or passes the device on. */
    static final int REMEMBERED = 15;

    /** Fewer are no habit. */
    private static final int ENOUGH = 4;

    /** Nobody is steadier than this, in ms. */
    private static final long STEADIEST_MS = 100;

    /** A pause whose key is off by one spread of the reader's counts as so much shorter; by twice as much, four times. */
    private static final double UNLIKE_MS = 60;

    /** Now and then anybody is far off. */
    private static final double MOST_UNLIKE_MS = 400;

    public KeyHabit {
        offsMs = List.copyOf(offsMs.subList(Math.max(0, offsMs.size() - REMEMBERED), offsMs.size()));
    }

    /** The habit after more keys. */
    public KeyHabit with(KeyHabit more) {
        List<Long> all = new ArrayList<>(offsMs);
        all.addAll(more.offsMs);
        return new KeyHabit(all);
    }

    boolean isKnown() {
        return offsMs.size() >= ENOUGH;
    }

    /** By so much shorter does a pause count, in ms, to which the key would be unlike the reader's others. */
    double unlikeMs(long keyOffMs) {
        double far = (keyOffMs - offMs()) / (double) spreadMs();
        return MOST_UNLIKE_MS * (1 - Math.exp(-UNLIKE_MS * far * far / MOST_UNLIKE_MS));
    }

    /** How far a key of this reader's is from its pause: the median. */
    long offMs() {
        return median(offsMs);
    }

    /** How far a key is from that: the median of the distances, in ms. */
    long spreadMs() {
        long off = offMs();
        return Math.max(
                STEADIEST_MS,
                median(offsMs.stream().map(each -> Math.abs(each - off)).toList()));
    }

    private static long median(List<Long> values) {
        return values.stream().sorted().skip(values.size() / 2).findFirst().orElse(0L);
    }
}
