package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Peaks are turned down before they come, and nothing else is changed. */
class LimiterTest {
    private static final int RATE = 48_000;
    private static final double CEILING_DB = -1;
    private static final double CEILING = Math.pow(10, CEILING_DB / 20);

    private static float[] tone(double hertz, double phase, double amplitude, int samples) {
        float[] x = new float[samples];
        for (int i = 0; i < samples; i++) {
            x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hertz * i / RATE + phase));
        }
        return x;
    }

    private static float[] limited(float[] x, double gain) {
        return new Limiter(new Sound(x, RATE), CEILING_DB).apply(gain);
    }

    @Test
    void whatStaysUnderTheCeilingIsMultipliedAndNothingElse() {
        float[] x = tone(440, 0, 0.2, RATE / 4);
        float[] out = limited(x, 3);
        for (int i = 0; i < x.length; i++) {
            assertThat(out[i]).isEqualTo(x[i] * 3);
        }
        assertThat(limited(new float[0], 2)).isEmpty();
    }

    /** Its samples are at 0.707 of its peak, and under the ceiling: what is between them isn't. */
    @Test
    void aPeakBetweenSamplesIsHeldAsWell() {
        float[] x = tone(RATE / 4.0, Math.PI / 4, 1, RATE / 2);
        float[] out = limited(x, 1);
        float most = 0;
        for (int i = RATE / 10; i < out.length; i++) {
            most = Math.max(most, Math.abs(out[i]));
        }
        assertThat((double) most).isCloseTo(CEILING * Math.sqrt(0.5), within(0.005));
    }

    /** One loud moment in a quiet tone: the gain is down when it comes, the wave keeps its form, and all is as before soon after. */
    @Test
    void theGainGoesDownBeforeAMomentAndUpAgainAfterIt() {
        float[] x = tone(300, 0, 0.3, RATE);
        int loud = RATE / 2;
        for (int i = loud; i < loud + 48; i++) {
            x[i] *= 6;
        }
        float[] out = limited(x, 1);
        double before = 1;
        for (int i = 0; i < x.length; i++) {
            assertThat((double) Math.abs(out[i])).isLessThanOrEqualTo(CEILING + 1e-4);
            if (Math.abs(x[i]) > 0.05) {
                double gain = out[i] / x[i];
                assertThat(gain).as("gain at %d", i).isBetween(0.3, 1.0001);
                assertThat(Math.abs(gain - before)).as("no step at %d", i).isLessThan(0.12);
                before = gain;
            }
        }
        assertThat(out[loud - RATE / 50]).as("20 ms before").isCloseTo(x[loud - RATE / 50], within(1e-4f));
        assertThat(out[loud + RATE / 2 - 60])
                .as("half a second after")
                .isCloseTo(x[loud + RATE / 2 - 60], within(2e-3f));
    }
}
