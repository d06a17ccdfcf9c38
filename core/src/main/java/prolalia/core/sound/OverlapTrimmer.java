package prolalia.core.sound;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import prolalia.core.sound.TakeCuts.Cut;

/**
 * Takes of a read-through overlap: each has a moment from before its key press and one from after it, so that no syllable
 * is lost, however early or late the key comes. In these moments the neighbouring line is heard too. The key says about where
 * one line ends and the next begins; the cut belongs into the pause that is there. This is the first look, at one take alone,
 * as soon as it is there; when its neighbours are, {@link ReadingCuts} looks once more.
 */
public final class OverlapTrimmer {
    /** Between cuts that are nearer to each other there may be nothing. */
    private static final long SHORT_MS = 1_500;

    private OverlapTrimmer() {}

    /**
     * What is this line's alone.
     *
     * @param span of the recording
     * @param cuts where else it could begin and end; null where nothing overlaps
     */
    public record OwnPart(Span span, TakeCuts cuts) {
        /** Of its keys, where it is plain which pause is meant ({@link KeyHabit}): none, one or two. */
        public List<Long> offsMs() {
            return cuts == null
                    ? List.of()
                    : Stream.of(cuts.starts(), cuts.ends())
                            .flatMap(ends -> TakeCuts.plain(ends).stream())
                            .map(Cut::offMs)
                            .toList();
        }
    }

    /**
     * The stretch of a recording that is this line's alone.
     *
     * @param overlap of it with its neighbours' takes
     */
    public static OwnPart without(Sound recording, Overlap overlap) {
        Span all = new Span(0, recording.durationMs());
        if (overlap.ms() == 0 || all.durationMs() <= 2L * overlap.ms() / 3) {
            return new OwnPart(all, null);
        }
        TakeCuts cuts = TakeCuts.of(recording, overlap.ms(), overlap.words());
        Cut start = best(cuts.starts(), overlap.habit());
        Cut end = best(cuts.ends(), overlap.habit());
        boolean inDoubt = !overlap.words().isBlank() || end.atMs() - start.atMs() < SHORT_MS;
        if (inDoubt) {
            // What the words say; and of a short line both ends were looked for in nearly the same sound: something is
            // said between them.
            double most = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < cuts.starts().size(); i++) {
                for (int j = 0; j < cuts.ends().size(); j++) {
                    Cut first = cuts.starts().get(i);
                    Cut last = cuts.ends().get(j);
                    double unlike = cuts.unlikeMs(i, j);
                    double score = first.score(overlap.habit()) + last.score(overlap.habit()) - unlike;
                    if (unlike < TakeCuts.NOTHING_SAID && score > most) {
                        most = score;
                        start = first;
                        end = last;
                    }
                }
            }
        }
        return new OwnPart(start.atMs() < end.atMs() ? new Span(start.atMs(), end.atMs()) : all, cuts);
    }

    private static Cut best(List<Cut> cuts, KeyHabit habit) {
        return cuts.stream()
                .max(Comparator.comparingDouble(cut -> cut.score(habit)))
                .orElseThrow();
    }
}
