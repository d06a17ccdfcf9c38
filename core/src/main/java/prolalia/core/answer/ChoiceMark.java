package prolalia.core.answer;

/**
 * What a choice is to its question.
 *
 * @param right whether it is a right one
 * @param pair two choices of one pair have the same number, from 1; 0: it is in none
 */
public record ChoiceMark(boolean right, int pair) {
    public static final ChoiceMark NONE = new ChoiceMark(false, 0);
    public static final int MOST_PAIRS = 99;

    public ChoiceMark {
        pair = Math.max(0, Math.min(MOST_PAIRS, pair));
    }

    public ChoiceMark turned() {
        return new ChoiceMark(!right, pair);
    }

    public ChoiceMark withPair(int changed) {
        return new ChoiceMark(right, changed);
    }
}
