package prolalia.core.marking;

/**
 * What an answer is worth.
 *
 * @param points up to {@code most}, in hundredths exactly
 * @param most what a right answer is worth
 */
public record Mark(double points, int most, Outcome outcome) {
    /** How an answer turned out. */
    public enum Outcome {
        RIGHT,
        /** Some of it is right. */
        PART,
        WRONG,
        /** Somebody is to hear it, or to look at it. */
        OPEN,
        /** Nothing was answered. */
        NONE
    }

    /** @param share of the points, 0 to 1 */
    static Mark of(double share, int most) {
        double held = Math.max(0, Math.min(1, share));
        double points = Math.round(held * most * 100) / 100.0;
        return new Mark(points, most, held >= 1 ? Outcome.RIGHT : held > 0 ? Outcome.PART : Outcome.WRONG);
    }

    /** Given by somebody who heard or saw it. */
    public Mark overruled(double given) {
        double held = Math.max(0, Math.min(most, Math.round(given * 100) / 100.0));
        return new Mark(held, most, held >= most ? Outcome.RIGHT : held > 0 ? Outcome.PART : Outcome.WRONG);
    }
}
