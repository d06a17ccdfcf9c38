package prolalia.core.sound;

/**
 * What a take of a read-through has of its neighbours.
 *
 * @param ms how much there is of it before its key, and after the next one, in ms; 0: nothing of a neighbour's is in it
 * @param habit of the reader who pressed the keys
 * @param words that were to be said; empty when they aren't known
 */
public record Overlap(int ms, KeyHabit habit, String words) {
    /** Of a recording that was made alone. */
    public static final Overlap NONE = new Overlap(0, KeyHabit.UNKNOWN, "");
}
