package prolalia.app.lines;

import java.util.List;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineState;
import prolalia.core.lesson.StepIcon;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.script.WordChanges;
import prolalia.core.sound.Finding;
import prolalia.core.sound.InkTrace;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/**
 * A line with what its place in the script needs.
 *
 * @param revision counts up with every change of the words
 * @param soundHash of the kept take, null when there is none, or when it isn't made as yet
 * @param peaks of the kept take, null when there is none
 * @param trim what the kept take has of its recording, null when there is none
 * @param findings of the sound check in the kept take
 * @param standingLineId the standing line whose words and take it has, null when it has its own
 */
public record ScriptLine(
        Line line,
        int revision,
        String pageId,
        String lessonId,
        String soundHash,
        Peaks peaks,
        Span trim,
        List<Finding> findings,
        String standingLineId) {
    /** What it asks to do, as a picture; null when it has none. */
    public StepIcon icon() {
        return line.traits().icon();
    }

    /** The line as students meet it. */
    public PublishedLine given() {
        return new PublishedLine(line, soundHash, peaks);
    }

    /** Whether there are words, and no kept take that says them. */
    public boolean isToBeRead() {
        return line.isSayable() && line.state() != LineState.VOICED;
    }

    /** How the words changed after the take; empty unless the line is outdated. */
    public List<WordChanges.Part> changes() {
        return line.state() == LineState.OUTDATED
                ? WordChanges.between(line.kept().orElseThrow().words(), line.words())
                : List.of();
    }

    /** Where the findings stand on a trace of this width. */
    public List<Double> notches(InkTrace trace) {
        return line.state() != LineState.DOUBTFUL
                ? List.of()
                : findings.stream()
                        .map(finding -> finding.notchAt(trim, trace.width()))
                        .toList();
    }

    /** The trace of a take, at a width that grows with its length up to the whole rule. */
    public InkTrace trace(double width, double height, long fullWidthMs) {
        double share = Math.min(1, line.kept().orElseThrow().durationMs() / (double) fullWidthMs);
        return InkTrace.of(peaks, width * share, height);
    }
}
