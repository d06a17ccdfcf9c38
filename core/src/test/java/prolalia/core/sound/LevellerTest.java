package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class LevellerTest {
    private static final Leveller.Target TARGET =
            new Leveller.Target(Leveller.TARGET_LUFS, Leveller.HIGHEST_TRUE_PEAK_DBTP);

    static Stream<Arguments> takes() {
        return Stream.of(
                Arguments.of("quiet", Signals.voice(-38, 3)),
                Arguments.of("loud", Signals.voice(-0.1, 3)),
                Arguments.of("one word", Signals.voice(-12, 0.5)),
                Arguments.of("a knock in it", knocked(Signals.voice(-30, 3))),
                Arguments.of("between samples", Signals.sine(11_999, -1, 2)));
    }

    private static float[] knocked(float[] x) {
        for (int i = 0; i < 200; i++) {
            x[60_000 + i] = (float) (0.99 * Math.sin(i * 0.3) * Math.exp(-i / 60.0));
        }
        return x;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("takes")
    void everyTakeComesOutAsLoudAsTheOthersAndUnderTheCeiling(String name, float[] samples) {
        Leveller.Levelled levelled = Leveller.level(Signals.sound(samples), TARGET);
        assertThat(LoudnessMeter.ofMono(levelled.sound())).isCloseTo(-19, within(0.2));
        assertThat(TruePeakMeter.ofMono(levelled.sound())).isLessThanOrEqualTo(-1.5 + 0.05);
        assertThat(levelled.sound().samples()).hasSameSizeAs(samples);
    }

    @Test
    void limitingTurnsDownAroundThePeakAndLeavesTheRestAlone() {
        float[] samples = knocked(Signals.voice(-30, 3));
        Leveller.Levelled levelled = Leveller.level(Signals.sound(samples), TARGET);
        double gain = Math.pow(10, levelled.gainDb() / 20);
        float[] y = levelled.sound().samples();
        assertThat(y[20_000]).isCloseTo((float) (samples[20_000] * gain), within(1e-4f));
        // Never cut off: no two neighbours stand at the ceiling.
        float ceiling = (float) Math.pow(10, -1.5 / 20);
        for (int i = 1; i < y.length; i++) {
            assertThat(Math.abs(y[i]) > ceiling - 1e-5 && y[i] == y[i - 1]).isFalse();
        }
    }
}
