package prolalia.core.align;

import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;
import prolalia.core.sound.Span;

/**
 * Something about a split that the teacher should look at.
 *
 * @param line index in the script, -1 for the whole
 * @param place in the recording
 */
public record SplitFinding(Kind kind, int line, Span place) {
    /** The catalogue; the wording stands in the message bundles. */
    public enum Kind implements CatalogueEntry {
        NOTHING_SAID(Severity.WARNING),
        /** A title, or a false start. */
        BEFORE_THE_FIRST(Severity.INFO),
        /** "That's all." */
        AFTER_THE_LAST(Severity.INFO),
        BETWEEN(Severity.WARNING),
        NOT_FOUND(Severity.WARNING),
        UNCERTAIN(Severity.WARNING),
        /** Most lengths don't go with their words: another order, another script, or no speech at all. */
        UNLIKE_SCRIPT(Severity.WARNING),
        SECOND_VOICE(Severity.WARNING),
        SHORTER_THAN_SCRIPT(Severity.WARNING),
        LONGER_THAN_SCRIPT(Severity.WARNING);

        private final Severity severity;

        Kind(Severity severity) {
            this.severity = severity;
        }

        @Override
        public Severity severity() {
            return severity;
        }

        /** Whether the split may be wrong there; else it is only told. */
        public boolean isSerious() {
            return severity == Severity.WARNING;
        }

        @Override
        public String words() {
            return "split.finding";
        }
    }
}
