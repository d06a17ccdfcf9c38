package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutlineMeterTest {
    private static final float[] SOUND =
            Signals.concat(Signals.sine(300, -6, 0.5), Signals.silence(0.25), Signals.sine(300, -26, 0.333));

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 480, 4_096, 100_000})
    void blocksOfAnySizeGiveTheOutlineOfTheWhole(int block) {
        OutlineMeter meter = new OutlineMeter(Signals.RATE, 20);
        for (int from = 0; from < SOUND.length; from += block) {
            int count = Math.min(block, SOUND.length - from);
            meter.add(Arrays.copyOfRange(SOUND, from, from + count), count);
        }
        assertThat(meter.magnitudes()).isEqualTo(Peaks.magnitudes(Signals.sound(SOUND), 20));
    }

    @Test
    void loudnessIsSeenAndTheLastBucketMayBeAPartOfOne() {
        byte[] values = Peaks.magnitudes(Signals.sound(SOUND), 20);
        assertThat(values).hasSize(55);
        assertThat(values[3] & 0xff).isBetween(126, 129);
        assertThat(values[30]).isZero();
        assertThat(values[50] & 0xff).isBetween(11, 14);
        assertThat(values[54] & 0xff).isPositive();
        assertThat(new OutlineMeter(Signals.RATE, 20).magnitudes()).isEmpty();
    }

    @Test
    void whatIsBeyondFullScaleIsFullScale() {
        OutlineMeter meter = new OutlineMeter(1_000, 1);
        meter.add(new float[] {1.7f, -3f, 0.5f}, 3);
        assertThat(meter.magnitudes()).containsExactly((byte) 255, (byte) 255, (byte) 128);
    }
}
