package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static prolalia.core.sound.Signals.concat;
import static prolalia.core.sound.Signals.silence;
import static prolalia.core.sound.Signals.sine;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Against the signals that ITU-R BS.1770-5 and EBU Tech 3341 define. */
class LoudnessTest {
    private static double stereo(float[] both, int rate) {
        LoudnessMeter meter = new LoudnessMeter(rate, 2);
        meter.add(new float[][] {both, both}, both.length);
        return meter.integratedLufs();
    }

    @ParameterizedTest
    @ValueSource(ints = {16_000, 22_050, 44_100, 48_000, 96_000})
    void aFullScaleSineInOneChannelReadsMinus3AtEveryRate(int rate) {
        assertThat(LoudnessMeter.ofMono(new Sound(sine(997, 0, 3, rate, 0), rate)))
                .isCloseTo(-3.01, within(0.05));
    }

    /** EBU Tech 3341, test cases 1 to 4: the same tone, then with quieter stretches that the gates leave out. */
    @Test
    void theGatesLeaveQuietStretchesOut() {
        float[] tone = sine(1000, -23, 20);
        assertThat(stereo(tone, 48_000)).isCloseTo(-23, within(0.1));
        assertThat(stereo(sine(1000, -33, 20), 48_000)).isCloseTo(-33, within(0.1));
        float[] around = sine(1000, -36, 10);
        assertThat(stereo(concat(around, sine(1000, -23, 60), around), 48_000)).isCloseTo(-23, within(0.1));
        float[] farBelow = sine(1000, -72, 10);
        assertThat(stereo(concat(farBelow, around, sine(1000, -23, 60), around, farBelow), 48_000))
                .isCloseTo(-23, within(0.1));
    }

    @Test
    void silenceReadsTheAbsoluteGateAndLowFrequencyEffectsDontCount() {
        assertThat(LoudnessMeter.ofMono(Signals.sound(silence(2)))).isEqualTo(LoudnessMeter.SILENCE_LUFS);
        LoudnessMeter surround = new LoudnessMeter(48_000, 6);
        float[] none = silence(2);
        surround.add(new float[][] {none, none, none, sine(80, 0, 2), none, none}, none.length);
        assertThat(surround.integratedLufs()).isEqualTo(LoudnessMeter.SILENCE_LUFS);
    }

    /** EBU Tech 3341, test cases 15 to 19: the peak lies between the samples. */
    @ParameterizedTest
    @CsvSource({"12000, 0", "12000, 45", "8000, 60", "6000, 67.5"})
    void truePeakFindsWhatLiesBetweenSamples(double hz, double phaseDegrees) {
        float[] x = sine(hz, -6, 1, 48_000, Math.toRadians(phaseDegrees));
        // A tone that begins at once overshoots; these fade in and out, as the standard's signals do.
        for (int i = 0; i < 2400; i++) {
            x[i] *= i / 2400f;
            x[x.length - 1 - i] *= i / 2400f;
        }
        assertThat(TruePeakMeter.ofMono(Signals.sound(x))).isBetween(-6.4, -5.8);
    }

    @Test
    void truePeakIsTheSameInOneBlockAndInMany() {
        float[] x = Signals.noise(-12, 1, 7);
        TruePeakMeter pieces = new TruePeakMeter(48_000);
        for (int from = 0; from < x.length; from += 1000) {
            float[] piece = java.util.Arrays.copyOfRange(x, from, Math.min(x.length, from + 1000));
            pieces.add(piece, piece.length);
        }
        assertThat(pieces.truePeakDbtp()).isEqualTo(TruePeakMeter.ofMono(Signals.sound(x)));
    }

    @Test
    void clippingCountsOnlyRunsOfThree() {
        ClipCounter counter = new ClipCounter(1000);
        float[] x = {0, 1, 0, 1, 1, 0, 1, 1, 1, 0, -1, -1, -1, -1, 0};
        counter.add(x, x.length);
        assertThat(counter.clippedSamples()).isEqualTo(7);
        assertThat(counter.place()).contains(new Span(6, 14));
    }
}
