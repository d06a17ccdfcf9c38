package prolalia.core.sound.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;

/**
 * What a list of edits leaves of a recording: pieces of the original and inserted pauses, in order. Values only.
 *
 * @param pieces none when the edits leave nothing
 * @param gainDb on top of levelling
 * @param quieter whether noise reduction is on
 */
public record EditPlan(List<Piece> pieces, double gainDb, boolean quieter) {
    /** Long enough that no join clicks, short enough that nothing is heard of it. */
    public static final int CROSS_FADE_MS = 10;

    /** A beginning or an end in the middle of a sound doesn't click. */
    private static final int END_FADE_MS = 4;

    /** Less than this between two cuts is no sound any more. */
    private static final long SHORTEST_PIECE_MS = 2L * CROSS_FADE_MS;

    private static final long SHORTEST_TAKE_MS = 100;

    /** How long a stretch of the recording's own quiet is repeated for a pause. */
    private static final int TONE_MS = 200;

    /** A part of the edited sound. */
    public sealed interface Piece {
        long durationMs();
    }

    /** A piece of the original. */
    public record Kept(Span span) implements Piece {
        @Override
        public long durationMs() {
            return span.durationMs();
        }
    }

    /** A pause that was put in. */
    public record Silence(long durationMs) implements Piece {}

    /**
     * @param originalMs length of the original
     * @param trim what is kept when no edit says otherwise
     * @param edits in the order in which they were made
     */
    public static EditPlan of(long originalMs, Span trim, List<Edit> edits) {
        Span ends = trim;
        double gainDb = 0;
        boolean quieter = false;
        List<Span> cuts = new ArrayList<>();
        TreeMap<Long, Long> pauses = new TreeMap<>();
        for (Edit edit : edits) {
            if (edit instanceof Edit.Ends e) {
                ends = e.kept();
            } else if (edit instanceof Edit.Cut c) {
                cuts.add(c.gone());
            } else if (edit instanceof Edit.Pause p) {
                pauses.put(p.atMs(), p.lengthMs());
            } else if (edit instanceof Edit.Gain g) {
                gainDb = g.db();
            } else if (edit instanceof Edit.Quieter q) {
                quieter = q.on();
            }
        }
        Span within = new Span(Math.min(ends.startMs(), originalMs), Math.min(ends.endMs(), originalMs));
        return new EditPlan(withPauses(kept(within, cuts), pauses), gainDb, quieter);
    }

    private static List<Span> kept(Span ends, List<Span> cuts) {
        List<Span> kept = new ArrayList<>();
        long from = ends.startMs();
        for (Span cut :
                cuts.stream().sorted(Comparator.comparing(Span::startMs)).toList()) {
            long to = Math.min(cut.startMs(), ends.endMs());
            if (to - from >= SHORTEST_PIECE_MS) {
                kept.add(new Span(from, to));
            }
            from = Math.max(from, cut.endMs());
        }
        if (ends.endMs() - from >= SHORTEST_PIECE_MS) {
            kept.add(new Span(from, ends.endMs()));
        }
        return kept;
    }

    /** A pause stands where its place is; one within a cut stands between what the cut parts. */
    private static List<Piece> withPauses(List<Span> kept, TreeMap<Long, Long> pauses) {
        List<Piece> pieces = new ArrayList<>();
        long before = kept.isEmpty() ? 0 : kept.get(0).startMs();
        for (Span span : kept) {
            long from = span.startMs();
            for (long lengthMs : pauses.subMap(before, true, from, false).values()) {
                if (lengthMs > 0) {
                    pieces.add(new Silence(lengthMs));
                }
            }
            before = span.endMs();
            for (var pause :
                    pauses.subMap(span.startMs(), true, span.endMs(), false).entrySet()) {
                if (pause.getValue() > 0) {
                    if (pause.getKey() - from >= SHORTEST_PIECE_MS) {
                        pieces.add(new Kept(new Span(from, pause.getKey())));
                        from = pause.getKey();
                    }
                    pieces.add(new Silence(pause.getValue()));
                }
            }
            if (span.endMs() > from) {
                pieces.add(new Kept(new Span(from, span.endMs())));
            }
        }
        return List.copyOf(pieces);
    }

    /** Whether too little is kept to hold a word. */
    public boolean leavesNothing() {
        return pieces.stream()
                        .filter(Kept.class::isInstance)
                        .mapToLong(Piece::durationMs)
                        .sum()
                < SHORTEST_TAKE_MS;
    }

    /** How long the edited sound is, but for the cross-fades. */
    public long durationMs() {
        return pieces.stream().mapToLong(Piece::durationMs).sum();
    }

    /** From the first kept moment of the original to the last; 0 to 0 when nothing is kept. */
    public Span reach() {
        long start = Long.MAX_VALUE;
        long end = 0;
        for (Piece piece : pieces) {
            if (piece instanceof Kept kept) {
                start = Math.min(start, kept.span().startMs());
                end = Math.max(end, kept.span().endMs());
            }
        }
        return end == 0 ? new Span(0, 0) : new Span(start, end);
    }

    /** The edited sound, without gain and without noise reduction; the original isn't changed. */
    public Sound applyTo(Sound original) {
        int rate = original.sampleRate();
        int fade = rate * CROSS_FADE_MS / 1000;
        float[] tone = quietest(original);
        float[] out = new float[Math.toIntExact(durationMs() * rate / 1000) + pieces.size()];
        int at = 0;
        for (Piece piece : pieces) {
            float[] next = piece instanceof Kept kept
                    ? original.slice(kept.span()).samples()
                    : repeated(tone, (int) (piece.durationMs() * rate / 1000), fade);
            at = append(out, at, next, fade);
        }
        fadeEnds(out, at, rate * END_FADE_MS / 1000);
        return new Sound(Arrays.copyOf(out, at), rate);
    }

    private static void fadeEnds(float[] x, int length, int fade) {
        for (int i = 0; i < Math.min(fade, length / 2); i++) {
            float share = (i + 0.5f) / fade;
            x[i] *= share;
            x[length - 1 - i] *= share;
        }
    }

    /** Adds a piece, its beginning over the end of what is there: equal power, as the two have nothing in common. */
    private static int append(float[] out, int length, float[] piece, int fade) {
        int over = Math.min(fade, Math.min(length, piece.length));
        for (int i = 0; i < over; i++) {
            double angle = Math.PI / 2 * (i + 0.5) / over;
            int k = length - over + i;
            out[k] = (float) (out[k] * Math.cos(angle) + piece[i] * Math.sin(angle));
        }
        System.arraycopy(piece, over, out, length, piece.length - over);
        return length + piece.length - over;
    }

    /** The quietest stretch of a recording: a pause made of it sounds like the room, not like a hole. */
    private static float[] quietest(Sound sound) {
        float[] x = sound.samples();
        int length = Math.min(x.length, sound.sampleRate() * TONE_MS / 1000);
        int hop = Math.max(1, length / 8);
        int best = 0;
        double least = Double.MAX_VALUE;
        for (int start = 0; start + length <= x.length; start += hop) {
            double power = 0;
            for (int i = start; i < start + length; i++) {
                power += x[i] * x[i];
            }
            if (power < least) {
                least = power;
                best = start;
            }
        }
        return Arrays.copyOfRange(x, best, best + length);
    }

    private static float[] repeated(float[] tone, int length, int fade) {
        float[] out = new float[length + tone.length];
        int at = 0;
        boolean backwards = false;
        while (at < length && tone.length > fade) {
            // To and fro, so that no beat is heard.
            float[] next = backwards ? reversed(tone) : tone;
            at = append(out, at, next, fade);
            backwards = !backwards;
        }
        return Arrays.copyOf(out, length);
    }

    private static float[] reversed(float[] x) {
        float[] y = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            y[i] = x[x.length - 1 - i];
        }
        return y;
    }
}
