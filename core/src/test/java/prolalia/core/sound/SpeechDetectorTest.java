package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static prolalia.core.sound.Signals.concat;
import static prolalia.core.sound.Signals.mix;
import static prolalia.core.sound.Signals.noise;
import static prolalia.core.sound.Signals.silence;
import static prolalia.core.sound.Signals.sine;
import static prolalia.core.sound.Signals.sound;
import static prolalia.core.sound.Signals.voice;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is speech, and what only sounds. */
class SpeechDetectorTest {
    private static List<Span> speech(float[] samples) {
        return SoundMeter.measure(sound(samples)).speech();
    }

    /** A hand on the table: a burst of noise that dies away within a tenth of a second. */
    private static float[] knock() {
        float[] x = noise(-14, 0.12, 31);
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) Math.exp(-i / 1_200.0);
        }
        return x;
    }

    @Test
    void roomsAndMachinesAreNotSpeech() {
        assertThat(speech(noise(-30, 3, 1))).isEmpty();
        assertThat(speech(mix(sine(50, -20, 3), noise(-60, 3, 2)))).isEmpty();
        assertThat(speech(mix(mix(sine(100, -26, 3), sine(200, -32, 3)), noise(-58, 3, 3))))
                .isEmpty();
        assertThat(speech(silence(2))).isEmpty();
        assertThat(speech(new float[0])).isEmpty();
        assertThat(speech(new float[17])).isEmpty();
    }

    @Test
    void aKnockIsNotSpeechButDoesNotHideIt() {
        float[] room = noise(-62, 4, 4);
        assertThat(speech(mix(concat(silence(1), knock(), silence(2.8)), room))).isEmpty();
        List<Span> both =
                speech(mix(concat(silence(0.5), knock(), silence(1.2), voice(-12, 1.12), silence(0.8)), room));
        assertThat(both).singleElement().satisfies(span -> {
            assertThat(span.startMs()).isCloseTo(1_820, within(60L));
            assertThat(span.endMs()).isCloseTo(2_900, within(80L));
        });
    }

    /** A program put silence in, or a telephone closed its gate: what is silent to the last bit is no room. */
    @Test
    void silenceThatWasPutInDoesNotMakeTheRoomBeforeItSpeech() {
        float[] recorded = mix(concat(silence(0.5), voice(-12, 1.12), silence(0.9)), noise(-60, 2.52, 8));
        assertThat(speech(concat(recorded, silence(1)))).singleElement().satisfies(span -> {
            assertThat(span.startMs()).isCloseTo(500, within(60L));
            assertThat(span.endMs()).isCloseTo(1_620, within(80L));
        });
        float[] spoken = mix(voice(-12, 1.12), noise(-60, 1.12, 9));
        float[] gated = concat(silence(0.4), spoken, silence(0.6), spoken, silence(0.5));
        assertThat(speech(gated)).hasSize(2);
    }

    @Test
    void aHissBesideAVoiceIsPartOfTheWord() {
        // An s before the vowel: no voice in it, 90 ms before the voice begins.
        float[] hiss = noise(-26, 0.18, 5);
        float[] recorded =
                mix(concat(silence(1), hiss, silence(0.09), voice(-12, 0.84), silence(1)), noise(-66, 3.1, 6));
        assertThat(speech(recorded).get(0).startMs()).isCloseTo(1_000, within(50L));
    }

    @ParameterizedTest
    @ValueSource(ints = {8_000, 16_000, 22_050, 44_100, 96_000})
    void theRateOfTheRecordingMakesNoDifference(int rate) {
        float[] original = mix(concat(silence(0.7), voice(-12, 1.12), silence(0.7)), noise(-60, 2.52, 7));
        float[] resampled = new float[(int) (original.length * (long) rate / Signals.RATE)];
        for (int i = 0; i < resampled.length; i++) {
            double at = (double) i * Signals.RATE / rate;
            int k = (int) at;
            float next = k + 1 < original.length ? original[k + 1] : 0;
            resampled[i] = (float) (original[k] + (at - k) * (next - original[k]));
        }
        List<Span> found = SoundMeter.measure(new Sound(resampled, rate)).speech();
        assertThat(found).hasSize(1);
        assertThat(found.get(0).startMs()).isCloseTo(700, within(50L));
        assertThat(found.get(0).endMs()).isCloseTo(1_780, within(80L));
    }

    @Test
    void aShortGapIsWithinASentenceAndALongOnePartsTwo() {
        float[] room = noise(-62, 5, 8);
        assertThat(speech(mix(
                        concat(silence(0.5), voice(-12, 0.84), silence(0.08), voice(-12, 0.84), silence(0.5)), room)))
                .hasSize(1);
        assertThat(speech(mix(
                        concat(silence(0.5), voice(-12, 0.84), silence(0.6), voice(-12, 0.84), silence(0.5)), room)))
                .hasSize(2);
    }

    @Test
    void blocksOfAnySizeGiveTheSameFindings() {
        float[] x = mix(concat(silence(0.6), voice(-12, 1.12), silence(0.6)), noise(-60, 2.32, 9));
        SoundMeter pieces = new SoundMeter(Signals.RATE, 1);
        for (int from = 0; from < x.length; from += 777) {
            float[] piece = java.util.Arrays.copyOfRange(x, from, Math.min(x.length, from + 777));
            pieces.add(new float[][] {piece}, piece.length);
        }
        Measurement whole = SoundMeter.measure(sound(x));
        assertThat(pieces.measurement().speech()).isEqualTo(whole.speech());
        assertThat(pieces.measurement().integratedLufs()).isCloseTo(whole.integratedLufs(), within(1e-9));
        assertThat(pieces.measurement().noiseFloorDbfs()).isCloseTo(whole.noiseFloorDbfs(), within(1e-9));
    }
}
