package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.core.sound.Signals.concat;
import static prolalia.core.sound.Signals.mix;
import static prolalia.core.sound.Signals.noise;
import static prolalia.core.sound.Signals.silence;
import static prolalia.core.sound.Signals.sine;
import static prolalia.core.sound.Signals.sound;
import static prolalia.core.sound.Signals.voice;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Finding.Kind;
import prolalia.core.sound.MicrophoneReport.Level;
import prolalia.core.sound.MicrophoneReport.Noise;

class MicrophoneReportTest {
    private static float[] said(double peakDbfs) {
        return concat(silence(0.5), voice(peakDbfs, 1.96), silence(0.5));
    }

    private static MicrophoneReport report(float[] samples) {
        return MicrophoneReport.of(sound(samples));
    }

    @Test
    void theLevelIsJudgedByTheVoice() {
        assertThat(report(silence(3)).level()).isEqualTo(Level.DEAD);
        assertThat(report(noise(-60, 3, 1)).level()).isEqualTo(Level.NOBODY);
        assertThat(report(mix(said(-36), noise(-80, 3, 2))).level()).isEqualTo(Level.QUIET);
        assertThat(report(mix(said(-12), noise(-70, 3, 3))).level()).isEqualTo(Level.GOOD);
        assertThat(report(said(-0.1)).level()).isEqualTo(Level.LOUD);
    }

    @Test
    void noiseHumAndClippingAreToldApart() {
        MicrophoneReport good = report(mix(said(-12), noise(-70, 3, 4)));
        assertThat(good.noise()).isEqualTo(Noise.QUIET_ROOM);
        assertThat(good.hum()).isFalse();
        assertThat(good.clipped()).isFalse();
        assertThat(report(mix(said(-12), noise(-34, 3, 5))).noise()).isEqualTo(Noise.TOO_MUCH);
        for (int mains : new int[] {50, 60}) {
            MicrophoneReport humming = report(mix(said(-12), sine(mains * 2, -40, 3)));
            assertThat(humming.hum()).as(mains + " Hz").isTrue();
        }
        float[] cut = said(6);
        for (int i = 0; i < cut.length; i++) {
            cut[i] = Math.max(-1, Math.min(1, cut[i]));
        }
        assertThat(report(cut).clipped()).isTrue();
    }

    @Test
    void theSoundCheckNamesWhatIsWrongAndWhere() {
        Measurement gap = SoundMeter.measure(sound(mix(
                concat(silence(0.5), voice(-12, 1.12), silence(2.6), voice(-12, 1.12), silence(0.5)),
                noise(-60, 6, 6))));
        List<Finding> findings = SoundCheck.check(gap, "", 600_000);
        assertThat(findings).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(Kind.LONG_GAP);
            assertThat(finding.place().startMs()).isBetween(1_500L, 1_750L);
            assertThat(finding.place().endMs()).isBetween(4_100L, 4_300L);
            assertThat(finding.notchAt(new Span(0, 5_840), 584)).isBetween(280.0, 310.0);
        });
        Measurement good = SoundMeter.measure(sound(mix(said(-12), noise(-60, 3, 7))));
        assertThat(SoundCheck.check(good, "Look at the bean", 600_000)).isEmpty();
        assertThat(SoundCheck.check(good, "Look at the bean", 1_000))
                .extracting(Finding::kind)
                .containsExactly(Kind.TOO_LONG);
        assertThat(SoundCheck.check(good, "one two three four five six seven eight nine ten eleven", 600_000))
                .extracting(Finding::kind)
                .containsExactly(Kind.TOO_FAST);
        Measurement oneWord = SoundMeter.measure(
                sound(mix(concat(silence(0.6), voice(-12, 0.85), silence(0.6)), noise(-60, 2.05, 7))));
        assertThat(SoundCheck.check(oneWord, "the thermometer", 600_000))
                .as("a long word, said as usual")
                .isEmpty();
        assertThat(SoundCheck.check(oneWord, "one two three four five", 600_000))
                .extracting(Finding::kind)
                .containsExactly(Kind.TOO_FAST);
        assertThat(SoundCheck.check(SoundMeter.measure(sound(noise(-40, 2, 8))), "", 600_000))
                .extracting(Finding::kind)
                .containsExactly(Kind.NOTHING_SAID);
        float[] cutOff = java.util.Arrays.copyOfRange(said(-12), 26_400, 120_000);
        assertThat(SoundCheck.check(SoundMeter.measure(sound(cutOff)), "", 600_000))
                .extracting(Finding::kind)
                .contains(Kind.CUT_OFF_START);
    }

    /** 40 LUFS below full scale is where a class no longer follows a voice that is played as it is. */
    @Test
    void aTakeIsTooQuietBelowFortyAndNotAbove() {
        for (double lufs : new double[] {-40.1, -39.9}) {
            Measurement measured = new Measurement(
                    3_000, lufs, -20, -90, -30, -30, -90, -90, 0, Optional.empty(), List.of(new Span(500, 2_500)));
            assertThat(SoundCheck.check(measured, "Look at the bean on the sill", 600_000))
                    .extracting(Finding::kind)
                    .containsExactlyElementsOf(lufs < -40 ? List.of(Kind.TOO_QUIET) : List.of());
        }
    }
}
