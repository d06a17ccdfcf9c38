package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;

/** How near the found beginnings and ends of speech lie to the true ones. Prints figures; run by ./prolalia bench. */
public final class TrimBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final int NEAR_MS = 60;

    private TrimBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<MadeSpeech.Spoken> spoken = MadeSpeech.all();
        System.out.printf(
                "trim: %d takes at each level; true ends are where speech falls under -42 dB of its peak%n",
                spoken.size());
        for (double snrDb : new double[] {60, 30, 20, 15}) {
            for (boolean pink : new boolean[] {false, true}) {
                run(spoken, snrDb, pink);
            }
        }
    }

    private static void run(List<MadeSpeech.Spoken> spoken, double snrDb, boolean pink) {
        Random random = new Random(11);
        int near = 0;
        int found = 0;
        List<Long> lost = new ArrayList<>();
        List<Long> extra = new ArrayList<>();
        List<String> worst = new ArrayList<>();
        for (MadeSpeech.Spoken each : spoken) {
            int before = (int) (RATE * (0.3 + random.nextDouble()));
            int after = (int) (RATE * (0.4 + random.nextDouble()));
            float[] x = new float[before + each.samples().length + after];
            System.arraycopy(each.samples(), 0, x, before, each.samples().length);
            float[] noise = MadeSpeech.noise(
                    x.length, MadeSpeech.rms(each.samples()) * Math.pow(10, -snrDb / 20), pink, random);
            for (int i = 0; i < x.length; i++) {
                x[i] += noise[i];
            }
            Measurement measured = SoundMeter.measure(new Sound(x, RATE));
            if (measured.speech().isEmpty()) {
                worst.add("nothing found: " + each.words());
                continue;
            }
            found++;
            Span heard = measured.spoken();
            long onset = before * 1000L / RATE;
            long offset = (before + each.samples().length) * 1000L / RATE;
            long early = onset - heard.startMs();
            long late = heard.endMs() - offset;
            if (Math.abs(early) <= NEAR_MS && Math.abs(late) <= NEAR_MS) {
                near++;
            } else {
                worst.add(early + "/" + late + " " + each.words());
            }
            // What the trim would cut away: the breath before and the fading after are kept.
            lost.add(Math.max(0, Math.max(-early - 120, -late - 250)));
            extra.add(Math.max(early, late));
        }
        System.out.printf(
                "  %2.0f dB %-5s  found %d  both ends within %d ms: %5.1f %%  most speech lost: %d ms  most kept too much: %d ms%n",
                snrDb,
                pink ? "pink" : "white",
                found,
                NEAR_MS,
                100.0 * near / spoken.size(),
                lost.stream().mapToLong(Long::longValue).max().orElse(0),
                extra.stream().mapToLong(Long::longValue).max().orElse(0));
        worst.stream().limit(Integer.getInteger("worst", 0)).forEach(line -> System.out.println("      " + line));
    }
}
