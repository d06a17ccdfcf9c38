package prolalia.core.sound;

import prolalia.core.finding.RefusalReason;

/**
 * A recording that can't become a take.
 *
 * @param reason why
 * @param durationMs how much sound there was, 0 when unknown
 */
public record Refusal(Reason reason, long durationMs) implements Preparation, Judgement {
    /** The catalogue; the words for each stand in the message bundle under {@code refusal.} and the name. */
    public enum Reason implements RefusalReason {
        /** No bytes. */
        EMPTY(false),
        /** Not a sound or video file at all, whatever its name says. */
        NOT_SOUND(false),
        /** Begins like a sound file, but can't be read. */
        DAMAGED(true),
        /** It states what no sound has: a rate, channels, or more samples than the file can hold. */
        IMPOSSIBLE(false),
        /** Opening it takes more memory or time than any recording should. */
        TOO_HEAVY(true),
        /** A video or container without a sound track. */
        NO_SOUND_TRACK(false),
        /** Nothing but silence. */
        SILENT(false),
        /** Sound, but nobody speaks. */
        NO_SPEECH(true),
        /** Too short for a word. */
        TOO_SHORT(true),
        /** Longer than the school's longest recording. */
        TOO_LONG(true);

        private final boolean soundInIt;

        Reason(boolean soundInIt) {
            this.soundInIt = soundInIt;
        }

        /** Whether the raw recording is worth keeping. */
        public boolean hasSoundInIt() {
            return soundInIt;
        }

        @Override
        public String words() {
            return "refusal";
        }
    }
}
