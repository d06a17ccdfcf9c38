package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

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

    /** A pause whose end isn't seen any more is longer than what is seen of it: at least by this. */
    private static final int UNSEEN_MS = 150;

    /** Between cuts that are nearer to each other there may be nothing. */
    private static final long SHORT_MS = 1_500;

    /** No word is shorter. */
    private static final long SHORTEST_WORD_MS = 120;

    private OverlapTrimmer() {}

    /**
     * The stretch of a recording that is this line's alone.
     *
     * @param overlapMs how much there is of it before its key, and after the next one; 0: nothing of a neighbour's is in it
     */
    public static Span without(Sound recording, int overlapMs) {
        long durationMs = recording.durationMs();
        if (overlapMs == 0 || durationMs <= 2L * overlapMs / 3) {
            return new Span(0, durationMs);
        }
        long window = Math.min(2L * overlapMs, durationMs);
        long key = Math.min(overlapMs, window);
        long from = durationMs - window;
        List<Cut> starts = cuts(recording, new Span(0, window), key);
        List<Cut> ends = cuts(recording, new Span(from, durationMs), key);
        Cut start = best(starts);
        Cut end = best(ends);
        if (end.atMs() - start.atMs() < SHORT_MS) {
            // Of a short line both ends were looked for in nearly the same sound: something is said between them.
            List<Span> pieces = pieces(recording);
            double most = Double.NEGATIVE_INFINITY;
            for (Cut first : starts) {
                for (Cut last : ends) {
                    double score = first.score() + last.score();
                    if (score > most && saidMs(pieces, first.atMs(), last.atMs()) >= SHORTEST_WORD_MS) {
                        most = score;
                        start = first;
                        end = last;
                    }
                }
            }
        }
        return start.atMs() < end.atMs() ? new Span(start.atMs(), end.atMs()) : new Span(0, durationMs);
    }

    /** A place where one line may end and the next begin. */
    private record Cut(long atMs, double score) {}

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
    private static List<Cut> cuts(Sound recording, Span window, long keyMs) {
        Sound around = recording.slice(window);
        SpeechFrames frames = frames(around);
        List<Cut> cuts = new ArrayList<>();
        for (Span pause : pauses(SpeechDetector.pieces(frames), around.durationMs())) {
            double score = score(pause, keyMs, around.durationMs());
            if (score > Double.NEGATIVE_INFINITY) {
                cuts.add(new Cut(window.startMs() + (pause.startMs() + pause.endMs()) / 2, score));
            }
        }
        if (cuts.isEmpty()) {
            cuts.add(new Cut(window.startMs() + quietest(frames, keyMs), 0));
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

    private static double score(Span pause, long keyMs, long durationMs) {
        long distance = Math.max(0, Math.max(pause.startMs() - keyMs, keyMs - pause.endMs()));
        if (distance > OFF_MS) {
            return Double.NEGATIVE_INFINITY;
        }
        boolean cutOff = pause.startMs() == 0 || pause.endMs() == durationMs;
        long length = Math.min(LONG_PAUSE_MS, pause.durationMs() + (cutOff ? UNSEEN_MS : 0));
        return length - NEARNESS * distance;
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
