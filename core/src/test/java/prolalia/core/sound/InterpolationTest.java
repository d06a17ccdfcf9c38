package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Peaks between samples, against tones whose peak is known by calculation. */
class InterpolationTest {
    private static final int RATE = 48_000;

    private static float[] tone(double hertz, double phase, double amplitude, int samples) {
        float[] x = new float[samples];
        for (int i = 0; i < samples; i++) {
            x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hertz * i / RATE + phase));
        }
        return x;
    }

    private static double peak(float[] x, int rate) {
        int reach = Interpolation.REACH;
        int count = x.length - 2 * reach;
        float[] peaks = new float[count];
        new Interpolation(rate).peaks(x, reach, count, peaks, new float[count]);
        double most = 0;
        for (float each : peaks) {
            most = Math.max(most, each);
        }
        return most;
    }

    /** A quarter of the rate at 45 degrees: no sample is higher than 0.707 of the wave. */
    @Test
    void aPeakThatNoSampleShowsIsFound() {
        float[] x = tone(RATE / 4.0, Math.PI / 4, 1, 2_000);
        assertThat(Math.abs(x[0])).isLessThan(0.708f);
        assertThat(20 * Math.log10(peak(x, RATE))).isCloseTo(0, within(0.05));
    }

    /** With all phases between; the grid is four times as fine as the samples (BS.1770-5, Annex 2: at most 0.6 dB under). */
    @ParameterizedTest
    @ValueSource(doubles = {100, 997, 5_000, 11_025, 17_000, 21_000})
    void tonesUpToNineTenthsOfHalfTheRateReadAsHighAsTheyAre(double hertz) {
        double db = 20 * Math.log10(peak(tone(hertz, 0.3, 0.5, 20_000), RATE) / 0.5);
        assertThat(db).isBetween(-0.6, 0.05);
    }

    @Test
    void whatIsSampledFastEnoughIsTakenAsItIs() {
        float[] x = tone(12_000, Math.PI / 4, 1, 500);
        assertThat(peak(x, 192_000)).isCloseTo(Math.sqrt(0.5), within(1e-4));
        assertThat(new Interpolation(192_000).bound()).isEqualTo(1);
    }

    @Test
    void nothingIsHigherThanTheBoundTellsAlsoOfTheWorstNoise() {
        Interpolation interpolation = new Interpolation(RATE);
        float[] x = new float[400];
        for (int i = 0; i < x.length; i++) {
            // Signs that follow those of the filter's taps are the worst there is.
            x[i] = (i / 7 % 2 == 0 ? 1 : -1) * (i % 2 == 0 ? 1 : -1);
        }
        assertThat(peak(x, RATE)).isGreaterThan(1.2).isLessThanOrEqualTo(interpolation.bound() + 1e-6);
    }
}
