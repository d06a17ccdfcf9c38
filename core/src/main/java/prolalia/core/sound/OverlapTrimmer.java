package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Takes of a read-through overlap: each has a moment from before its key press and one from after it, so that no syllable
 * is lost, however early or late the key comes. In these moments the neighbouring line is heard too. The key says about where
 * one line ends and the next begins; the cut belongs into the pause that is there. Both takes of a pause are cut at the same
 * place, since both look at the same moments around the same key.
 */
public final class OverlapTrimmer {
    /** A reader's thumb is seldom more than this off the end of the words, or off the beginning of the next ones. */
    private static final int OFF_MS = 450;

    /** A shorter gap is a closed mouth within a word. */
    private static final int SHORTEST_PAUSE_MS = 60;

    /** Longer pauses are no likelier than this one. */
    private static final int LONG_PAUSE_MS = 1_000;

    /** A pause so much nearer to the key is as likely as one that is longer by one. */
    private static final double NEARNESS = 0.25;

    /** A pause that counts for so much more than the next likely one is the one that is meant. */
    private static final double PLAIN = 250;

    /** A pause whose key is off by one spread of the reader's counts as so much shorter; by twice as much, four times. */
    private static final double UNLIKE_MS = 60;

    /** Now and then anybody is far off. */
    private static final double MOST_UNLIKE_MS = 400;

    /** A pause whose end isn't seen any more is longer than what is seen of it: at least by this. */
    private static final int UNSEEN_MS = 150;

    /** Between cuts that are nearer to each other there may be nothing. */
    private static final long SHORT_MS = 1_500;

    /** No word is shorter. */
    private static final long SHORTEST_WORD_MS = 120;

    private OverlapTrimmer() {}

    /**
     * What is this line's alone.
     *
     * @param span of the recording
     * @param offsMs of its keys, where it is plain which pause is meant ({@link KeyHabit}): none, one or two
     */
    public record OwnPart(Span span, List<Long> offsMs) {}

    /**
     * The stretch of a recording that is this line's alone.
     *
     * @param overlap of it with its neighbours' takes
     */
    public static OwnPart without(Sound recording, Overlap overlap) {
        long durationMs = recording.durationMs();
        if (overlap.ms() == 0 || durationMs <= 2L * overlap.ms() / 3) {
            return new OwnPart(new Span(0, durationMs), List.of());
        }
        long window = Math.min(2L * overlap.ms(), durationMs);
        long key = Math.min(overlap.ms(), window);
        long from = durationMs - window;
        List<Cut> starts = cuts(recording, new Span(0, window), key, overlap.habit());
        List<Cut> ends = cuts(recording, new Span(from, durationMs), key, overlap.habit());
        List<Long> offsMs = Stream.of(starts, ends)
                .flatMap(cuts -> plain(cuts).stream())
                .map(Cut::offMs)
                .toList();
        Cut start = best(starts);
        Cut end = best(ends);
        PhraseFit fit = PhraseFit.of(overlap.words());
        boolean inDoubt = starts.size() + ends.size() > 2 && (fit.isKnown() || end.atMs() - start.atMs() < SHORT_MS);
        if (inDoubt) {
            // What the words say; and of a short line both ends were looked for in nearly the same sound: something is
            // said
            // between them.
            List<Span> pieces = pieces(recording);
            double most = Double.NEGATIVE_INFINITY;
            for (Cut first : starts) {
                for (Cut last : ends) {
                    double score = first.score() + last.score() - fit.unlikeMs(pieces, first.atMs(), last.atMs());
                    if (score > most && saidMs(pieces, first.atMs(), last.atMs()) >= SHORTEST_WORD_MS) {
                        most = score;
                        start = first;
                        end = last;
                    }
                }
            }
        }
        Span own = start.atMs() < end.atMs() ? new Span(start.atMs(), end.atMs()) : new Span(0, durationMs);
        return new OwnPart(own, offsMs);
    }

    /**
     * A place where one line may end and the next begin.
     *
     * @param score how likely it is
     * @param strangersScore how likely it would be if nothing were known of the reader
     * @param offMs how far the key is from the pause; 0 within it
     */
    private record Cut(long atMs, double score, double strangersScore, long offMs) {}

    /** The cut that anybody would make. */
    private static Optional<Cut> plain(List<Cut> cuts) {
        List<Cut> likeliest = cuts.stream()
                .filter(cut -> cut.strangersScore() > 0)
                .sorted(Comparator.comparingDouble(Cut::strangersScore).reversed())
                .limit(2)
                .toList();
        boolean plain = !likeliest.isEmpty()
                && (likeliest.size() == 1
                        || likeliest.get(0).strangersScore() - likeliest.get(1).strangersScore() > PLAIN);
        return plain ? Optional.of(likeliest.get(0)) : Optional.empty();
    }

    private static Cut best(List<Cut> cuts) {
        return cuts.stream().max(Comparator.comparingDouble(Cut::score)).orElseThrow();
    }

    private static List<Span> pieces(Sound sound) {
        return SpeechDetector.pieces(frames(sound));
    }

    private static SpeechFrames frames(Sound sound) {
        SpeechFrames frames = new SpeechFrames(sound.sampleRate());
        frames.add(sound.samples(), sound.samples().length);
        return frames;
    }

    private static long saidMs(List<Span> pieces, long fromMs, long toMs) {
        return pieces.stream()
                .mapToLong(piece -> Math.min(piece.endMs(), toMs) - Math.max(piece.startMs(), fromMs))
                .filter(ms -> ms > 0)
                .sum();
    }

    /**
     * Where the neighbour may end, or begin: at least one place.
     *
     * @param keyMs within the window
     */
    private static List<Cut> cuts(Sound recording, Span window, long keyMs, KeyHabit habit) {
        Sound around = recording.slice(window);
        SpeechFrames frames = frames(around);
        List<Cut> cuts = new ArrayList<>();
        for (Span pause : pauses(SpeechDetector.pieces(frames), around.durationMs())) {
            long off = keyMs < pause.startMs() ? keyMs - pause.startMs() : Math.max(0, keyMs - pause.endMs());
            if (Math.abs(off) <= OFF_MS) {
                double length = length(pause, around.durationMs());
                double strangers = length - NEARNESS * Math.abs(off);
                cuts.add(new Cut(
                        window.startMs() + (pause.startMs() + pause.endMs()) / 2,
                        habit.isKnown() ? length - unlikeMs(off, habit) : strangers,
                        strangers,
                        off));
            }
        }
        if (cuts.isEmpty()) {
            cuts.add(new Cut(window.startMs() + quietest(frames, keyMs), 0, 0, 0));
        }
        return cuts;
    }

    private static List<Span> pauses(List<Span> pieces, long durationMs) {
        List<Span> pauses = new ArrayList<>();
        long from = 0;
        for (Span piece : pieces) {
            pauses.add(new Span(from, Math.max(from, piece.startMs())));
            from = piece.endMs();
        }
        pauses.add(new Span(Math.min(from, durationMs), durationMs));
        pauses.removeIf(pause -> pause.durationMs() < SHORTEST_PAUSE_MS);
        return pauses;
    }

    /** @return how long the pause counts as, in ms */
    private static double length(Span pause, long durationMs) {
        boolean cutOff = pause.startMs() == 0 || pause.endMs() == durationMs;
        return Math.min(LONG_PAUSE_MS, pause.durationMs() + (cutOff ? UNSEEN_MS : 0));
    }

    /** @return as much shorter does a pause count, in ms, to which the key would be unlike the reader's others */
    private static double unlikeMs(long offMs, KeyHabit habit) {
        double far = (offMs - habit.offMs()) / (double) habit.spreadMs();
        return MOST_UNLIKE_MS * (1 - Math.exp(-UNLIKE_MS * far * far / MOST_UNLIKE_MS));
    }

    /** In one breath from line to line: the quietest moment about the key. */
    private static long quietest(SpeechFrames frames, long keyMs) {
        int key = (int) (keyMs / SpeechFrames.HOP_MS);
        int off = OFF_MS / SpeechFrames.HOP_MS / 2;
        double[] power = new double[frames.count()];
        Arrays.setAll(power, frames::power);
        int best = Math.min(key, power.length - 1);
        double least = Double.MAX_VALUE;
        for (int i = Math.max(1, key - off); i < Math.min(power.length - 1, key + off); i++) {
            double around = power[i - 1] + power[i] + power[i + 1];
            if (around < least) {
                least = around;
                best = i;
            }
        }
        return (long) best * SpeechFrames.HOP_MS;
    }
}
