package prolalia.core.sound;

import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;

/**
 * Something the sound check found in a take.
 *
 * @param kind what
 * @param place where, within the whole recording
 */
public record Finding(Kind kind, Span place) {
    /**
     * Where to mark it on the drawing of a take, in the unit of the width.
     *
     * @param trim what the take kept of the recording
     * @param width of the drawing of the whole take
     */
    public double notchAt(Span trim, double width) {
        double middleMs = (place.startMs() + place.endMs()) / 2.0 - trim.startMs();
        return Math.max(0, Math.min(1, middleMs / Math.max(1, trim.durationMs()))) * width;
    }

    /** The catalogue; the words for each stand in the message bundles under {@code finding.} and the name. */
    public enum Kind implements CatalogueEntry {
        NOTHING_SAID(Severity.FAULT),
        CUT_OFF_START(Severity.FAULT),
        CUT_OFF_END(Severity.FAULT),
        MUCH_SHORTER(Severity.FAULT),
        CLIPPED(Severity.WARNING),
        TOO_QUIET(Severity.WARNING),
        NOISY(Severity.WARNING),
        LONG_GAP(Severity.WARNING),
        TOO_FAST(Severity.WARNING),
        TOO_SLOW(Severity.WARNING),
        MUCH_LONGER(Severity.WARNING),
        TOO_LONG(Severity.FAULT);

        private final Severity severity;

        Kind(Severity severity) {
            this.severity = severity;
        }

        @Override
        public Severity severity() {
            return severity;
        }

        @Override
        public String words() {
            return "finding";
        }
    }
}
