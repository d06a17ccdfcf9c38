package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Where somebody speaks.
 *
 * <p>A frame belongs to speech when it stands out of the noise of its own recording: in each band of
 * {@link SpeechFrames} the noise is read from the quietest tenth of the recording, and a frame's score is the mean of its two
 * best bands over that noise, in dB, so that a weak f or s counts although the whole frame is hardly louder. Runs of
 * frames over the high threshold are speech; they are followed outwards down to the low one.
 */
public final class SpeechDetector {
    /** A frame this far over the noise is certainly not noise. */
    private static final double HIGH_DB = 10;

    /** The edge of a word is followed down to here: 95 % of ends within 60 ms at 20 dB over a room's noise (measured). */
    private static final double LOW_DB = 3;

    /** Frames to either side over which a score is averaged; a single window of noise scatters too widely. */
    private static final int SMOOTH_FRAMES = 3;

    /** The quietest part of a recording, taken as its noise. */
    private static final double NOISE_SHARE = 0.10;

    /** The mean of the quietest tenth lies this far under the mean of steady noise, measured on white and pink noise. */
    private static final double NOISE_BIAS_DB = 2.5;

    /** 35 dB under the loudest moment, nobody speaks: it is the room. */
    private static final double QUIET_SHARE = Math.pow(10, -3.5);

    /** A room that is heard for a fifth of a second tells its noise. */
    private static final int LEAST_QUIET_FRAMES = 20;

    /** Nothing under -96 dBFS in a band counts: that is the last bit of 16-bit sound. */
    private static final double LEAST_POWER = Math.pow(10, -9.6);

    /** A closed mouth before a p or t lasts up to about 150 ms; a longer silence parts two stretches of speech. */
    private static final int BRIDGED_FRAMES = 25;

    /** A shorter stretch is a click. */
    private static final int SHORTEST_FRAMES = 5;

    /** What is over this soon after the beginning, or begins this late, is the click of a button or of a cut. */
    private static final int EDGE_FRAMES = 7;

    /** 50 dB under the loudest frame of a stretch nothing is heard of it any more. */
    private static final double INAUDIBLE_SHARE = 1e-5;

    /** A frame with this periodicity has a voice in it. */
    private static final double VOICED_PERIODICITY = 0.6;

    /** Words have vowels: a stretch with less voice than this is a knock, a rustle or a hiss. */
    private static final int SHORTEST_VOICED_FRAMES = 4;

    /** An s before the first vowel, or an f after the last, may stand this far from the voiced stretch. */
    private static final int JOINED_FRAMES = 60;

    /** A dip is this quiet against the loudest moment of its stretch, or this little over the noise, ... */
    private static final double DIP_SHARE = Math.pow(10, -2.8);

    private static final double DIP_OVER_NOISE_DB = 7;

    /** ... and lasts this long: the closed mouth before a p or t mostly opens sooner. */
    private static final int DIP_FRAMES = 6;

    private SpeechDetector() {}

    /**
     * @return the stretches of speech in order of time, parted by at least 250 ms; empty when nobody speaks
     */
    public static List<Span> detect(SpeechFrames frames) {
        double[] score = scores(frames);
        List<int[]> runs = bridged(runs(score));
        runs.forEach(run -> drawIn(frames, run));
        runs.removeIf(run ->
                run[1] - run[0] < SHORTEST_FRAMES || run[1] <= EDGE_FRAMES || run[0] >= frames.count() - EDGE_FRAMES);
        List<Span> speech = new ArrayList<>();
        for (int i = 0; i < runs.size(); i++) {
            if (hasVoice(frames, runs.get(i)) || isBesideVoice(frames, runs, i)) {
                int[] run = runs.get(i);
                speech.add(new Span(run[0] * (long) SpeechFrames.HOP_MS, run[1] * (long) SpeechFrames.HOP_MS));
            }
        }
        return List.copyOf(speech);
    }

    /**
     * The same speech in finer pieces: parted also at short dips, as between two lines that were said in one breath.
     *
     * @return in order of time; parted by at least 60 ms
     */
    public static List<Span> pieces(SpeechFrames frames) {
        double[] power = new double[frames.count()];
        Arrays.setAll(power, frames::power);
        double noise = quietestMean(power, room(frames)) * Math.pow(10, DIP_OVER_NOISE_DB / 10);
        List<Span> pieces = new ArrayList<>();
        for (Span speech : detect(frames)) {
            int start = (int) (speech.startMs() / SpeechFrames.HOP_MS);
            int end = (int) (speech.endMs() / SpeechFrames.HOP_MS);
            double loudest = 0;
            for (int i = start; i < Math.min(end, power.length); i++) {
                loudest = Math.max(loudest, power[i]);
            }
            double dip = Math.max(noise, loudest * DIP_SHARE);
            addPieces(power, start, end, dip, pieces);
        }
        return List.copyOf(pieces);
    }

    /** Parts a stretch at its dips; what is quiet at its ends, as where a recorder opens and closes a gate, is left out. */
    private static void addPieces(double[] power, int start, int end, double dip, List<Span> pieces) {
        int from = start;
        int quiet = 0;
        for (int i = start; i < end; i++) {
            quiet = i < power.length && power[i] < dip ? quiet + 1 : 0;
            boolean over = quiet >= DIP_FRAMES && (i + 1 >= end || i + 1 >= power.length || power[i + 1] >= dip);
            if (over) {
                int began = i + 1 - quiet;
                if (began - from >= SHORTEST_FRAMES) {
                    pieces.add(span(from, began));
                }
                from = i + 1;
            }
        }
        if (end - from >= SHORTEST_FRAMES) {
            pieces.add(span(from, end));
        }
    }

    private static Span span(int fromFrame, int endFrame) {
        return new Span(fromFrame * (long) SpeechFrames.HOP_MS, endFrame * (long) SpeechFrames.HOP_MS);
    }

    private static double[] scores(SpeechFrames frames) {
        int n = frames.count();
        double[] score = new double[n];
        boolean[] room = room(frames);
        double[][] excess = new double[SpeechFrames.BANDS][];
        for (int band = 0; band < SpeechFrames.BANDS; band++) {
            excess[band] = excess(frames, band, room);
        }
        for (int i = 0; i < n; i++) {
            double best = Double.NEGATIVE_INFINITY;
            double second = Double.NEGATIVE_INFINITY;
            for (double[] band : excess) {
                if (band[i] > best) {
                    second = best;
                    best = band[i];
                } else if (band[i] > second) {
                    second = band[i];
                }
            }
            score[i] = (best + second) / 2;
        }
        return score;
    }

    /** How far one band lies over its noise, in dB, at every frame. */
    private static double[] excess(SpeechFrames frames, int band, boolean[] room) {
        int n = frames.count();
        double[] power = new double[n];
        for (int i = 0; i < n; i++) {
            double sum = 0;
            int used = 0;
            for (int k = Math.max(0, i - SMOOTH_FRAMES); k <= Math.min(n - 1, i + SMOOTH_FRAMES); k++) {
                sum += frames.bandPower(k, band);
                used++;
            }
            power[i] = sum / used;
        }
        double noise = Math.max(LEAST_POWER, quietestMean(power, room) * Math.pow(10, NOISE_BIAS_DB / 10));
        for (int i = 0; i < n; i++) {
            power[i] = Decibels.ofPower(Math.max(power[i], LEAST_POWER) / noise);
        }
        return power;
    }

    /**
     * The frames of which noise is read. What is silent to the last bit is no room: a program put silence in, and the room is
     * what is quiet besides. Where nothing else is quiet, a gate was closed whenever nobody spoke, and silence is all there is.
     */
    private static boolean[] room(SpeechFrames frames) {
        boolean[] room = new boolean[frames.count()];
        double loudest = 0;
        for (int i = 0; i < room.length; i++) {
            room[i] = frames.power(i) > LEAST_POWER;
            loudest = Math.max(loudest, frames.power(i));
        }
        int quiet = 0;
        for (int i = 0; i < room.length; i++) {
            quiet += room[i] && frames.power(i) < loudest * QUIET_SHARE ? 1 : 0;
        }
        if (quiet < LEAST_QUIET_FRAMES) {
            Arrays.fill(room, true);
        }
        return room;
    }

    private static double quietestMean(double[] power, boolean[] room) {
        double[] sorted = IntStream.range(0, power.length)
                .filter(i -> room[i])
                .mapToDouble(i -> power[i])
                .sorted()
                .toArray();
        if (sorted.length == 0) {
            return 0;
        }
        int used = Math.max(1, (int) (sorted.length * NOISE_SHARE));
        return Arrays.stream(sorted, 0, used).average().orElseThrow();
    }

    /** Runs of frames over the high threshold, widened to the low one: first frame, and the frame after the last. */
    private static List<int[]> runs(double[] score) {
        List<int[]> runs = new ArrayList<>();
        int i = 0;
        while (i < score.length) {
            if (score[i] < HIGH_DB) {
                i++;
                continue;
            }
            int start = i;
            int floor = runs.isEmpty() ? 0 : runs.get(runs.size() - 1)[1];
            while (start > floor && score[start - 1] >= LOW_DB) {
                start--;
            }
            int end = i;
            while (end < score.length && score[end] >= LOW_DB) {
                end++;
            }
            runs.add(new int[] {start, end});
            i = end;
        }
        return runs;
    }

    private static List<int[]> bridged(List<int[]> runs) {
        List<int[]> joined = new ArrayList<>();
        for (int[] run : runs) {
            if (!joined.isEmpty() && run[0] - joined.get(joined.size() - 1)[1] < BRIDGED_FRAMES) {
                joined.get(joined.size() - 1)[1] = run[1];
            } else {
                joined.add(run.clone());
            }
        }
        return joined;
    }

    /** Where a recording is clean, smoothing carries a stretch some frames beyond its sound; those are given back. */
    private static void drawIn(SpeechFrames frames, int[] run) {
        double loudest = 0;
        for (int i = run[0]; i < run[1]; i++) {
            loudest = Math.max(loudest, frames.power(i));
        }
        double inaudible = loudest * INAUDIBLE_SHARE;
        while (run[0] < run[1] && frames.power(run[0]) < inaudible) {
            run[0]++;
        }
        while (run[1] > run[0] && frames.power(run[1] - 1) < inaudible) {
            run[1]--;
        }
    }

    private static boolean hasVoice(SpeechFrames frames, int[] run) {
        int voiced = 0;
        for (int i = run[0]; i < run[1]; i++) {
            if (frames.periodicity(i) >= VOICED_PERIODICITY && ++voiced == SHORTEST_VOICED_FRAMES) {
                return true;
            }
        }
        return false;
    }

    private static boolean isBesideVoice(SpeechFrames frames, List<int[]> runs, int i) {
        int[] run = runs.get(i);
        return i > 0 && run[0] - runs.get(i - 1)[1] < JOINED_FRAMES && hasVoice(frames, runs.get(i - 1))
                || i + 1 < runs.size()
                        && runs.get(i + 1)[0] - run[1] < JOINED_FRAMES
                        && hasVoice(frames, runs.get(i + 1));
    }
}
