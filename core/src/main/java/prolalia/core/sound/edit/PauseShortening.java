package prolalia.core.sound.edit;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;

/** Shortens the pause at a place to half of what is left of it, whether the reader made it or it was put in. */
public final class PauseShortening {
    private static final int WINDOW_MS = 10;

    /** How far around the place a pause may reach. */
    private static final int REACH_MS = 10_000;

    /** Quiet is what is within this factor (9 dB) of the quietest tenth around the place. */
    private static final double QUIET_FACTOR = 8;

    /** A digital silence has no power at all; -90 dBFS is as quiet as anybody hears. */
    private static final double LEAST_POWER = 1e-9;

    /** Shorter than this is the gap within a word, not a pause. */
    private static final long SHORTEST_PAUSE_MS = 120;

    /** A pause that was put in goes when so little of it would be left. */
    private static final long SHORTEST_LEFT_MS = 60;

    private PauseShortening() {}

    /**
     * The edit that shortens the pause at a place.
     *
     * @param plan with all edits up to now
     * @param edits up to now
     * @param atMs a place in the original
     * @return empty when there is no pause
     */
    public static Optional<Edit> of(Sound original, EditPlan plan, List<Edit> edits, long atMs) {
        Span quiet = quietAround(original, atMs);
        Optional<Edit.Pause> added = edits.stream()
                .filter(edit -> edit instanceof Edit.Pause)
                .map(edit -> (Edit.Pause) edit)
                .filter(pause ->
                        pause.atMs() >= quiet.startMs() - WINDOW_MS && pause.atMs() <= quiet.endMs() + WINDOW_MS)
                .reduce((first, second) -> second);
        if (added.isPresent() && added.get().lengthMs() > 0) {
            long half = added.get().lengthMs() / 2;
            return Optional.of(new Edit.Pause(added.get().atMs(), half < SHORTEST_LEFT_MS ? 0 : half));
        }
        long left = plan.pieces().stream()
                .filter(piece -> piece instanceof EditPlan.Kept)
                .map(piece -> ((EditPlan.Kept) piece).span())
                .mapToLong(kept ->
                        Math.max(0, Math.min(kept.endMs(), quiet.endMs()) - Math.max(kept.startMs(), quiet.startMs())))
                .sum();
        if (left < SHORTEST_PAUSE_MS) {
            return Optional.empty();
        }
        long side = left / 4;
        return Optional.of(new Edit.Cut(new Span(quiet.startMs() + side, quiet.endMs() - side)));
    }

    private static Span quietAround(Sound original, long atMs) {
        int first = (int) Math.max(0, (atMs - REACH_MS) / WINDOW_MS);
        int last = (int) Math.min(original.durationMs() / WINDOW_MS, (atMs + REACH_MS) / WINDOW_MS);
        double[] powers = new double[Math.max(0, last - first)];
        Arrays.setAll(powers, i -> power(original, first + i));
        int middle = (int) (atMs / WINDOW_MS) - first;
        double[] sorted = powers.clone();
        Arrays.sort(sorted);
        if (middle < 0 || middle >= powers.length) {
            return new Span(atMs, atMs);
        }
        double limit = Math.max(LEAST_POWER, sorted[sorted.length / 10]) * QUIET_FACTOR;
        int from = middle;
        int to = middle;
        while (from > 0 && powers[from - 1] < limit) {
            from--;
        }
        while (to < powers.length && powers[to] < limit) {
            to++;
        }
        return new Span((long) (first + from) * WINDOW_MS, (long) (first + Math.max(from, to)) * WINDOW_MS);
    }

    private static double power(Sound sound, int window) {
        int size = sound.sampleRate() * WINDOW_MS / 1000;
        float[] x = sound.samples();
        double sum = 0;
        int end = (int) Math.min(x.length, (window + 1L) * size);
        for (int i = window * size; i < end; i++) {
            sum += x[i] * x[i];
        }
        return sum / size;
    }
}
