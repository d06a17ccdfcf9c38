package prolalia.core.sound.edit;

import prolalia.core.sound.Leveller;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Rumble;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.TakePreparation;

/**
 * A take prepared again, as its edits say.
 *
 * @param sound what the edits leave, not levelled
 * @param measured what that measures
 */
public record EditedTake(Sound sound, Measurement measured, Leveller.Target target) {
    /**
     * @param original the whole recording; not changed
     * @throws IllegalArgumentException when the edits leave nothing
     */
    public static EditedTake of(Sound original, EditPlan plan) {
        if (plan.leavesNothing()) {
            throw new IllegalArgumentException("The edits leave nothing of the take");
        }
        Sound edited = plan.applyTo(plan.quieter() ? NoiseReduction.reduce(original) : original);
        Rumble.remove(edited.samples(), edited.sampleRate());
        return new EditedTake(edited, SoundMeter.measure(edited), target(plan));
    }

    /** @return times within it are those of the edited sound, and so is what was measured */
    public static PreparedTake prepare(Sound original, EditPlan plan) {
        EditedTake edited = of(original, plan);
        return edited.prepared(edited.level(edited.target));
    }

    public Leveller.Levelled level(Leveller.Target to) {
        return Leveller.level(sound, to);
    }

    /** The take when it is levelled. */
    public PreparedTake prepared(Leveller.Levelled levelled) {
        return new PreparedTake(
                new Span(0, sound.durationMs()),
                measured,
                levelled.sound(),
                levelled.gainDb(),
                levelled.loudnessLufs(),
                Peaks.of(levelled.sound()));
    }

    /** What the take is levelled to: as loud as all takes, and the gain that the teacher gave it. */
    private static Leveller.Target target(EditPlan plan) {
        Leveller.Target usual = TakePreparation.BEFORE_ENCODING;
        return new Leveller.Target(usual.loudnessLufs() + plan.gainDb(), usual.ceilingDbtp());
    }
}
