package prolalia.core.intake;

/** In which way letters are written (Unicode Standard Annex 9, bidirectional classes). */
public final class Writing {
    private Writing() {}

    /** Whether a letter is written from right to left. */
    public static boolean isToTheLeft(int codePoint) {
        byte way = Character.getDirectionality(codePoint);
        return way == Character.DIRECTIONALITY_RIGHT_TO_LEFT || way == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
    }

    /** A word whose letters were read off from the left, as it is written: from the right where most of them are so. */
    public static String asWritten(String fromTheLeft) {
        long letters = fromTheLeft.codePoints().filter(Character::isLetter).count();
        long toTheLeft = fromTheLeft.codePoints().filter(Writing::isToTheLeft).count();
        return toTheLeft * 2 > letters
                ? new StringBuilder(fromTheLeft).reverse().toString()
                : fromTheLeft;
    }
}
