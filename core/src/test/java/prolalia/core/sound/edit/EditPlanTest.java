package prolalia.core.sound.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Signals;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.EditPlan.Kept;
import prolalia.core.sound.edit.EditPlan.Silence;

class EditPlanTest {
    private static final Span WHOLE = new Span(0, 3000);

    private static EditPlan plan(Edit... edits) {
        return EditPlan.of(3000, WHOLE, List.of(edits));
    }

    @Test
    void editsAreFoldedIntoPiecesAndTheLastOneOfAKindHolds() {
        EditPlan plan = plan(
                new Edit.Ends(new Span(0, 2000)),
                new Edit.Cut(new Span(900, 1100)),
                new Edit.Pause(500, 300),
                new Edit.Gain(3),
                new Edit.Ends(new Span(100, 2500)),
                new Edit.Cut(new Span(1000, 1300)),
                new Edit.Gain(-2),
                new Edit.Pause(1200, 250),
                new Edit.Pause(2000, 400),
                new Edit.Pause(2000, 0));
        assertThat(plan.pieces())
                .containsExactly(
                        new Kept(new Span(100, 500)),
                        new Silence(300),
                        new Kept(new Span(500, 900)),
                        new Silence(250),
                        new Kept(new Span(1300, 2500)));
        assertThat(plan.gainDb()).isEqualTo(-2);
        assertThat(plan.durationMs()).isEqualTo(2550);
        assertThat(plan.reach()).isEqualTo(new Span(100, 2500));
    }

    @Test
    void editsThatTakeEverythingAwayLeaveNoPieceAndEditsBeyondTheEndDoNothing() {
        assertThat(plan(new Edit.Cut(WHOLE)).pieces()).isEmpty();
        assertThat(plan(new Edit.Ends(new Span(4000, 5000))).pieces()).isEmpty();
        assertThat(plan(new Edit.Cut(new Span(5000, 6000)), new Edit.Pause(9000, 500))
                        .pieces())
                .containsExactly(new Kept(WHOLE));
        assertThat(plan(new Edit.Cut(WHOLE))
                        .applyTo(new Sound(new float[144_000], 48_000))
                        .samples())
                .isEmpty();
    }

    @Test
    void aCutIsJoinedWithoutAClickAndWithoutAHole() {
        Sound original = Signals.sound(Signals.sine(200, -6, 3));
        Sound edited = plan(new Edit.Cut(new Span(1001, 1503))).applyTo(original);
        assertThat(edited.durationMs()).isCloseTo(3000 - 502 - EditPlan.CROSS_FADE_MS, within(1L));
        float[] x = edited.samples();
        double steepest = 2 * Math.PI * 200 / 48_000 * 0.5;
        double jump = 0;
        for (int i = 1; i < x.length; i++) {
            jump = Math.max(jump, Math.abs(x[i] - x[i - 1]));
        }
        assertThat(jump).isLessThan(2 * steepest);
        assertThat(original.samples()).isEqualTo(Signals.sine(200, -6, 3));
    }

    @Test
    void anInsertedPauseSoundsLikeTheRoom() {
        float[] room = Signals.noise(-60, 3, 1);
        float[] speech = Signals.mix(room, Signals.concat(Signals.voice(-6, 1.2), Signals.silence(1.8)));
        Sound edited = plan(new Edit.Pause(600, 1000)).applyTo(Signals.sound(speech));
        assertThat(edited.durationMs()).isCloseTo(4000, within(25L));
        Sound pause = edited.slice(new Span(700, 1500));
        assertThat(level(pause)).isCloseTo(-60, within(1.5));
    }

    @Test
    void aCutGoesToTheQuietestPlaceNearby() {
        float[] x = Signals.concat(Signals.sine(300, -10, 1), Signals.silence(0.02), Signals.sine(300, -10, 1));
        assertThat(QuietPoint.near(Signals.sound(x), 990)).isBetween(1002L, 1018L);
        assertThat(QuietPoint.near(Signals.sound(x), 500)).isCloseTo(500, within(30L));
        assertThat(QuietPoint.near(Signals.sound(x), 0)).isNotNegative();
    }

    @Test
    void noiseIsReducedByMoreThanSixDecibelsAndNoWordIsLost() {
        float[] clean = Signals.concat(Signals.silence(1), Signals.voice(-12, 3), Signals.silence(1));
        Sound noisy = Signals.sound(Signals.mix(clean, Signals.noise(-42, 5, 2)));
        Sound reduced = NoiseReduction.reduce(noisy);
        assertThat(reduced.samples()).hasSameSizeAs(noisy.samples());
        assertThat(speechToNoise(reduced) - speechToNoise(noisy)).isGreaterThan(6);
        Measurement before = SoundMeter.measure(Signals.sound(clean));
        Measurement after = SoundMeter.measure(reduced);
        assertThat(after.spoken().startMs()).isLessThan(before.spoken().startMs() + 20);
        assertThat(after.spoken().endMs()).isGreaterThan(before.spoken().endMs() - 20);
        Sound all = Signals.sound(Signals.voice(-12, 0.2));
        assertThat(NoiseReduction.reduce(all).samples()).hasSameSizeAs(all.samples());
    }

    private static double speechToNoise(Sound sound) {
        return level(sound.slice(new Span(1000, 4000))) - level(sound.slice(new Span(100, 900)));
    }

    private static double level(Sound sound) {
        double power = 0;
        for (float sample : sound.samples()) {
            power += sample * sample;
        }
        return 10 * Math.log10(power / sound.samples().length);
    }
}
