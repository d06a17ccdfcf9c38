package prolalia.app.elsewhere;

import java.util.Comparator;
import java.util.List;
import prolalia.core.align.ScriptSplit;
import prolalia.core.align.SplitFinding;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;

/**
 * A recording made elsewhere that holds many lines.
 *
 * @param pageId the page whose lines it holds, null for the whole script
 * @param refusal why it can't be split, null otherwise
 * @param flacHash null until it was listened to
 * @param pieces stretches of speech
 * @param lines in reading order, empty until it is split
 */
record LongRecording(
        String id,
        String lessonId,
        String teacherId,
        String pageId,
        String fileName,
        String rawHash,
        State state,
        Refusal.Reason refusal,
        long durationMs,
        String flacHash,
        List<Span> pieces,
        List<SplitFinding> findings,
        List<SplitLine> lines,
        long arrivedAt) {

    enum State {
        ARRIVED,
        SPLIT,
        REFUSED
    }

    /**
     * Where a line is in the recording.
     *
     * @param words that were looked for
     * @param span null when it isn't in the recording
     * @param found as the program found it, null when it didn't
     * @param placed whether the teacher said where it is
     * @param wanted whether she wants it as a take
     * @param takeId the take that was made of it, null while there is none
     * @param refusal why no take could be made of it, null otherwise
     */
    record SplitLine(
            String lineId,
            int number,
            String words,
            Span span,
            Span found,
            double confidence,
            boolean placed,
            boolean wanted,
            String takeId,
            Refusal.Reason refusal) {
        public boolean isUncertain() {
            return span != null && !placed && takeId == null && confidence < ScriptSplit.CERTAIN;
        }

        public boolean canBeTaken() {
            return span != null && takeId == null && !wanted;
        }

        public boolean isMoved() {
            return placed && found != null && !found.equals(span);
        }
    }

    /** What is said of the whole, the serious first; what is said of single lines is shown on those. */
    public List<SplitFinding> ofTheWhole() {
        return findings.stream()
                .filter(finding ->
                        finding.kind() != SplitFinding.Kind.UNCERTAIN && finding.kind() != SplitFinding.Kind.NOT_FOUND)
                .sorted(Comparator.comparing(finding -> !finding.kind().isSerious()))
                .toList();
    }

    public long found() {
        return lines.stream().filter(line -> line.span() != null).count();
    }

    public long uncertain() {
        return lines.stream().filter(SplitLine::isUncertain).count();
    }

    public long taken() {
        return lines.stream().filter(line -> line.takeId() != null).count();
    }

    public long waiting() {
        return lines.stream()
                .filter(line -> line.wanted() && line.takeId() == null)
                .count();
    }

    public List<SplitLine> takeable() {
        return lines.stream().filter(SplitLine::canBeTaken).toList();
    }

    public List<SplitLine> certainOnes() {
        return takeable().stream().filter(line -> !line.isUncertain()).toList();
    }
}
