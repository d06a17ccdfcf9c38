package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Where one take of a read-through may begin and end, as far as its own recording says. Both takes of a pause look at the same
 * moments around the same key, and find the same places, about ({@link ReadingCuts}).
 *
 * @param starts at least one, in order
 * @param ends at least one, in order
 * @param unlikeMs for each start, and in it for each end: how unlike its words is what lies between them, in ms of a pause that
 *     would make up for it, 0 or more; {@link #NOTHING_SAID} where no word is between them
 */
public record TakeCuts(List<Cut> starts, List<Cut> ends, List<List<Double>> unlikeMs) {
    static final double NOTHING_SAID = 1_000_000;

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

    /** A pause whose end isn't seen any more is longer than what is seen of it: at least by this. */
    private static final int UNSEEN_MS = 150;

    /** No word is shorter. */
    private static final long SHORTEST_WORD_MS = 120;

    /**
     * A place where one line may end and the next begin: the middle of a pause.
     *
     * @param atMs of the recording
     * @param fromKeyMs from the key, negative before it
     * @param pauseMs how long its pause counts as; 0: there is none, it is the quietest moment about the key
     * @param offMs how far the key is from the pause, negative where the key came first; 0 within it
     */
    public record Cut(long atMs, long fromKeyMs, double pauseMs, long offMs) {
        /** How likely it is, in ms of a pause. */
        double score(KeyHabit habit) {
            if (pauseMs == 0) {
                return 0;
            }
            return habit.isKnown() ? pauseMs - habit.unlikeMs(offMs) : strangersScore();
        }

        /** How likely it would be if nothing were known of the reader. */
        private double strangersScore() {
            return pauseMs - NEARNESS * Math.abs(offMs);
        }
    }

    /**
     * Listens for them.
     *
     * @param overlapMs how much of the recording is before its key, and how much after the next one: more than 0
     * @param words that were to be said; empty when they aren't known
     */
    static TakeCuts of(Sound recording, int overlapMs, String words) {
        long durationMs = recording.durationMs();
        long window = Math.min(2L * overlapMs, durationMs);
        long key = Math.min(overlapMs, window);
        List<Cut> starts = cuts(recording, new Span(0, window), key);
        List<Cut> ends = cuts(recording, new Span(durationMs - window, durationMs), key);
        return new TakeCuts(starts, ends, unlike(recording, starts, ends, PhraseFit.of(words)));
    }

    /** Where there is nothing to choose from, nothing is compared. */
    private static List<List<Double>> unlike(Sound recording, List<Cut> starts, List<Cut> ends, PhraseFit fit) {
        if (starts.size() + ends.size() == 2) {
            return List.of(List.of(0.0));
        }
        List<Span> pieces = SpeechDetector.pieces(frames(recording));
        return starts.stream()
                .map(start -> ends.stream()
                        .map(end -> saidMs(pieces, start.atMs(), end.atMs()) < SHORTEST_WORD_MS
                                ? NOTHING_SAID
                                : fit.unlikeMs(pieces, start.atMs(), end.atMs()))
                        .toList())
                .toList();
    }

    double unlikeMs(int start, int end) {
        return unlikeMs.get(start).get(end);
    }

    /** The one that anybody would take for the end of the line before, or the beginning of the next. */
    static Optional<Cut> plain(List<Cut> cuts) {
        List<Cut> likeliest = cuts.stream()
                .filter(cut -> cut.strangersScore() > 0)
                .sorted(Comparator.comparingDouble(Cut::strangersScore).reversed())
                .limit(2)
                .toList();
        boolean plain = likeliest.size() == 1
                || likeliest.size() == 2
                        && likeliest.get(0).strangersScore() - likeliest.get(1).strangersScore() > PLAIN;
        return plain ? Optional.of(likeliest.get(0)) : Optional.empty();
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

    /** @param keyMs within the window */
    private static List<Cut> cuts(Sound recording, Span window, long keyMs) {
        Sound around = recording.slice(window);
        SpeechFrames frames = frames(around);
        List<Cut> cuts = new ArrayList<>();
        for (Span pause : pauses(SpeechDetector.pieces(frames), around.durationMs())) {
            long off = keyMs < pause.startMs() ? keyMs - pause.startMs() : Math.max(0, keyMs - pause.endMs());
            if (Math.abs(off) <= OFF_MS) {
                long middle = (pause.startMs() + pause.endMs()) / 2;
                cuts.add(
                        new Cut(window.startMs() + middle, middle - keyMs, countedMs(pause, around.durationMs()), off));
            }
        }
        if (cuts.isEmpty()) {
            long quietest = quietest(frames, keyMs);
            cuts.add(new Cut(window.startMs() + quietest, quietest - keyMs, 0, 0));
        }
        return List.copyOf(cuts);
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

    private static double countedMs(Span pause, long durationMs) {
        boolean cutOff = pause.startMs() == 0 || pause.endMs() == durationMs;
        return Math.min(LONG_PAUSE_MS, pause.durationMs() + (cutOff ? UNSEEN_MS : 0));
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
