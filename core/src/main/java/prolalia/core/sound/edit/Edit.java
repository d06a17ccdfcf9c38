package prolalia.core.sound.edit;

import prolalia.core.sound.Span;

/** One edit of a take. All times are milliseconds of the untouched original. */
public sealed interface Edit {
    /** More or less than levelling gives, at most. */
    double MOST_GAIN_DB = 12;

    /** Of a pause that is put in. */
    long LONGEST_PAUSE_MS = 30_000;

    /** Of one take; a teacher who cuts every breath out of ten minutes makes some hundred. */
    int MOST = 2_000;

    /** Whether it is one that can be made on the sound bench. */
    default boolean isSensible() {
        if (this instanceof Pause pause) {
            return pause.atMs() >= 0 && pause.lengthMs() >= 0 && pause.lengthMs() <= LONGEST_PAUSE_MS;
        }
        return !(this instanceof Gain gain) || Math.abs(gain.db()) <= MOST_GAIN_DB;
    }

    /** Only this stretch is kept; a later one replaces an earlier one. */
    record Ends(Span kept) implements Edit {}

    /** A piece out of the middle goes. */
    record Cut(Span gone) implements Edit {}

    /**
     * A pause is put in.
     *
     * @param lengthMs more than 0; a later one at the same place replaces an earlier one, and 0 takes it away
     */
    record Pause(long atMs, long lengthMs) implements Edit {}

    /** @param db on top of levelling; a later one replaces an earlier one */
    record Gain(double db) implements Edit {}

    /** Gentle noise reduction, on or off. */
    record Quieter(boolean on) implements Edit {}
}
