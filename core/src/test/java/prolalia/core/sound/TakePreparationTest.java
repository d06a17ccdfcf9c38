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

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.sound.Refusal.Reason;

class TakePreparationTest {
    private static final long TEN_MINUTES = 600_000;

    @ParameterizedTest
    @ValueSource(doubles = {-90, -60, -46})
    void theEndsAreTrimmedToABreathAroundTheSpeech(double noiseDbfs) {
        float[] spoken = concat(silence(1.0), voice(-12, 2.0), silence(1.5));
        float[] recorded = mix(spoken, noise(noiseDbfs, 4.5, 3));
        PreparedTake take = (PreparedTake) TakePreparation.prepare(sound(recorded), TEN_MINUTES);
        // The last syllable of the made voice begins at 1.96 s and is cut off with the voice itself.
        assertThat(take.trim().startMs()).isCloseTo(1000L - 120, within(50L));
        assertThat(take.trim().endMs()).isCloseTo(3000L + 250, within(60L));
        assertThat(take.levelled().durationMs()).isEqualTo(take.trim().durationMs());
        assertThat(take.loudnessLufs()).isCloseTo(-19, within(0.3));
        assertThat(take.peaks().values()).hasSize((int) Math.ceil(take.trim().durationMs() / 20.0));
    }

    @Test
    void aTakeWithoutSilenceAroundItKeepsAllOfIt() {
        PreparedTake take = (PreparedTake) TakePreparation.prepare(sound(voice(-12, 1.1)), TEN_MINUTES);
        assertThat(take.trim().startMs()).isZero();
        assertThat(take.trim().endMs()).isGreaterThan(1000);
    }

    static Stream<Arguments> refused() {
        return Stream.of(
                Arguments.of(Reason.EMPTY, silence(0)),
                Arguments.of(Reason.SILENT, silence(3)),
                Arguments.of(Reason.SILENT, noise(-85, 3, 1)),
                Arguments.of(Reason.NO_SPEECH, noise(-30, 3, 2)),
                Arguments.of(Reason.NO_SPEECH, mix(sine(50, -30, 4), noise(-50, 4, 5))),
                Arguments.of(Reason.TOO_SHORT, voice(-12, 0.1)),
                Arguments.of(Reason.TOO_SHORT, concat(silence(1), voice(-12, 0.1), silence(1))));
    }

    @ParameterizedTest
    @MethodSource("refused")
    void whatIsNoTakeIsRefusedForItsOwnReason(Reason reason, float[] recorded) {
        Preparation preparation = TakePreparation.prepare(sound(recorded), TEN_MINUTES);
        assertThat(preparation)
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.reason()).isEqualTo(reason));
    }

    @Test
    void longerThanTheSchoolAllowsIsRefusedWithItsLength() {
        assertThat(TakePreparation.prepare(sound(voice(-12, 3)), 2_000)).isEqualTo(new Refusal(Reason.TOO_LONG, 3_000));
    }

    @Test
    void aRefusedRecordingCanBeTakenWhole() {
        Sound hiss = sound(noise(-40, 2, 9));
        SpokenPart all = (SpokenPart) TakePreparation.judge(hiss, TEN_MINUTES, true);
        PreparedTake take = TakePreparation.level(hiss, all, TakePreparation.BEFORE_ENCODING);
        assertThat(take.trim()).isEqualTo(new Span(0, 2000));
        assertThat(take.loudnessLufs()).isCloseTo(-19, within(0.3));
    }

    @Test
    void twoSentencesAreTwoStretchesOfSpeechAndTheNoiseIsReadBetweenThem() {
        float[] recorded = mix(
                concat(silence(0.8), voice(-12, 1.12), silence(0.7), voice(-12, 1.12), silence(0.8)),
                noise(-55, 4.6, 4));
        Measurement measured = SoundMeter.measure(sound(recorded));
        assertThat(measured.speech()).hasSize(2);
        assertThat(measured.noiseFloorDbfs()).isCloseTo(-55, within(0.5));
    }

    @ParameterizedTest
    @ValueSource(ints = {11_025, 22_050})
    void timesDoNotDriftAtTheRatesOfDictationMachines(int rate) {
        float[] recorded = mix(concat(silence(60), voice(-12, 1.12), silence(2)), noise(-60, 63.12, 4));
        float[] atRate = new float[(int) ((long) recorded.length * rate / Signals.RATE)];
        for (int i = 0; i < atRate.length; i++) {
            atRate[i] = recorded[(int) ((long) i * Signals.RATE / rate)];
        }
        Span spoken = SoundMeter.measure(new Sound(atRate, rate)).spoken();
        assertThat(spoken.startMs()).isBetween(59_940L, 60_060L);
    }

    @Test
    void theInkTraceRestsOnTheRuleInPausesAndRisesWhereSomethingIsSaid() {
        Peaks peaks = Peaks.of(sound(concat(silence(1), voice(-3, 1), silence(1))));
        InkTrace trace = InkTrace.of(peaks, 300, 40);
        double rule = 40 - InkTrace.DESCENT;
        for (String point : trace.path().substring(1).split(" L")) {
            double x = Double.parseDouble(point.split(" ")[0]);
            double y = Double.parseDouble(point.split(" ")[1]);
            assertThat(y).isBetween(0.0, rule);
            if (x < 95 || x > 210) {
                assertThat(y).isEqualTo(rule);
            }
        }
        assertThat(trace.path()).contains(" L");
    }
}
