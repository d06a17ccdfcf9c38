package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Tells whether one voice reads or two, by their pitch: the pieces of speech are parted in two so that the pitches of each
 * part differ least (N. Otsu, "A threshold selection method from gray-level histograms", IEEE Trans. SMC 9, 1979), and two
 * voices are found when the parts stand clearly apart.
 */
public final class Voices {
    /** A frame tells the pitch when it is as periodic as this. */
    private static final double VOICED = 0.8;

    /** A piece needs so many of them. */
    private static final int FEWEST_FRAMES = 12;

    /** One reader's sentences differ by two or three semitones; a woman's voice and a man's, or a child's, by six and more. */
    private static final double APART_SEMITONES = 4.5;

    /** So many times the scatter within the parts. */
    private static final double APART_IN_SPREADS = 2.8;

    /** The second voice says at least this share. */
    private static final double LEAST_SHARE = 0.12;

    /** Voices take turns; one reader's high and low sentences are mixed. */
    private static final double MOST_TURNS_SHARE = 0.35;

    private Voices() {}

    private record Spoken(Span span, double semitones) {}

    /**
     * Where the second voice speaks, from its first word to its last.
     *
     * @param pieces of speech in order
     */
    public static Optional<Span> second(SpeechFrames frames, List<Span> pieces) {
        List<Spoken> spoken = new ArrayList<>();
        for (Span piece : pieces) {
            double semitones = pitch(frames, piece);
            if (semitones > 0) {
                spoken.add(new Spoken(piece, semitones));
            }
        }
        if (spoken.size() < 4) {
            return Optional.empty();
        }
        double[] sorted =
                spoken.stream().mapToDouble(Spoken::semitones).sorted().toArray();
        double threshold = 0;
        double least = Double.MAX_VALUE;
        for (int i = 1; i < sorted.length; i++) {
            double within = scatter(sorted, 0, i) + scatter(sorted, i, sorted.length);
            if (within < least) {
                least = within;
                threshold = (sorted[i - 1] + sorted[i]) / 2;
            }
        }
        return apart(spoken, threshold, Math.sqrt(least / sorted.length));
    }

    private static Optional<Span> apart(List<Spoken> spoken, double threshold, double spread) {
        List<Spoken> low =
                spoken.stream().filter(each -> each.semitones() < threshold).toList();
        List<Spoken> high =
                spoken.stream().filter(each -> each.semitones() >= threshold).toList();
        if (low.isEmpty() || high.isEmpty()) {
            return Optional.empty();
        }
        double distance = mean(high) - mean(low);
        double share = Math.min(lengthMs(low), lengthMs(high)) / (lengthMs(low) + lengthMs(high));
        int turns = 0;
        for (int i = 1; i < spoken.size(); i++) {
            turns += spoken.get(i).semitones() < threshold ^ spoken.get(i - 1).semitones() < threshold ? 1 : 0;
        }
        if (distance < APART_SEMITONES
                || distance < APART_IN_SPREADS * spread
                || share < LEAST_SHARE
                || turns > MOST_TURNS_SHARE * spoken.size()) {
            return Optional.empty();
        }
        // The one who begins is taken for the reader.
        List<Spoken> second = low.contains(spoken.get(0)) ? high : low;
        return Optional.of(new Span(
                second.get(0).span().startMs(),
                second.get(second.size() - 1).span().endMs()));
    }

    /** The median pitch of a piece in semitones over 1 Hz, 0 when too little of it is voiced. */
    private static double pitch(SpeechFrames frames, Span piece) {
        int from = (int) (piece.startMs() / SpeechFrames.HOP_MS);
        int to = (int) Math.min(frames.count(), piece.endMs() / SpeechFrames.HOP_MS);
        double[] pitches = new double[Math.max(0, to - from)];
        int count = 0;
        for (int i = from; i < to; i++) {
            if (frames.periodicity(i) >= VOICED && frames.pitchHz(i) > 0) {
                pitches[count++] = frames.pitchHz(i);
            }
        }
        if (count < FEWEST_FRAMES) {
            return 0;
        }
        double[] sorted = Arrays.copyOf(pitches, count);
        Arrays.sort(sorted);
        return 12 * Math.log(sorted[count / 2]) / Math.log(2);
    }

    /** The sum of squared differences from the mean. */
    private static double scatter(double[] values, int from, int to) {
        double mean = Arrays.stream(values, from, to).average().orElse(0);
        return Arrays.stream(values, from, to)
                .map(value -> (value - mean) * (value - mean))
                .sum();
    }

    private static double mean(List<Spoken> spoken) {
        return spoken.stream().mapToDouble(Spoken::semitones).average().orElse(0);
    }

    private static double lengthMs(List<Spoken> spoken) {
        return spoken.stream().mapToLong(each -> each.span().durationMs()).sum();
    }
}
