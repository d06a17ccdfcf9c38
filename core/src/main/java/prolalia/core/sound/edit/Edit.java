package prolalia.core.sound.edit;

import prolalia.core.sound.Span;

/** One edit of a take. All times are milliseconds of the untouched original. */
public sealed interface Edit {
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
