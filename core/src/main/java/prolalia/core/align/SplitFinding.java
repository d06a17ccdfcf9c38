package prolalia.core.align;

import java.util.Locale;
import prolalia.core.sound.Span;

/**
 * Something about a split that the teacher should look at.
 *
 * @param line index in the script, -1 for the whole
 * @param place in the recording
 */
public record SplitFinding(Kind kind, int line, Span place) {
    /** The catalogue; the wording stands in the message bundles. */
    public enum Kind {
        NOTHING_SAID(true),
        /** A title, or a false start. */
        BEFORE_THE_FIRST(false),
        /** "That's all." */
        AFTER_THE_LAST(false),
        BETWEEN(true),
        NOT_FOUND(true),
        UNCERTAIN(true),
        /** Most lengths don't go with their words: another order, another script, or no speech at all. */
        UNLIKE_SCRIPT(true),
        SECOND_VOICE(true),
        SHORTER_THAN_SCRIPT(true),
        LONGER_THAN_SCRIPT(true);

        private final boolean serious;

        Kind(boolean serious) {
            this.serious = serious;
        }

        /** As it stands in JSON: lower case, with hyphens. */
        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether the split may be wrong there; else it is only told. */
        public boolean isSerious() {
            return serious;
        }
    }
}
