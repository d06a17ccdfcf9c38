package prolalia.core.sound.edit;

import prolalia.core.sound.Leveller;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.TakePreparation;

/** Prepares a take again, as its edits say. */
public final class EditedTake {
    private EditedTake() {}

    /**
     * @param original the whole recording; not changed
     * @return times within it are those of the edited sound, and so is what was measured
     * @throws IllegalArgumentException when the edits leave nothing
     */
    public static PreparedTake prepare(Sound original, EditPlan plan) {
        if (plan.leavesNothing()) {
            throw new IllegalArgumentException("The edits leave nothing of the take");
        }
        Sound edited = plan.applyTo(plan.quieter() ? NoiseReduction.reduce(original) : original);
        Measurement measured = SoundMeter.measure(edited);
        Leveller.Levelled levelled = Leveller.level(edited, target(plan));
        return new PreparedTake(
                new Span(0, edited.durationMs()),
                measured,
                levelled.sound(),
                levelled.gainDb(),
                levelled.loudnessLufs(),
                Peaks.of(levelled.sound()));
    }

    /** What the take is levelled to: as loud as all takes, and the gain that the teacher gave it. */
    public static Leveller.Target target(EditPlan plan) {
        Leveller.Target usual = TakePreparation.BEFORE_ENCODING;
        return new Leveller.Target(usual.loudnessLufs() + plan.gainDb(), usual.ceilingDbtp());
    }
}
