package prolalia.core.classroom;

/**
 * How often a picture key was wrong since it was last right. After ten a child comes in no more until the teacher lets her in
 * (NIST SP 800-63B 3.2.2: throttling; stricter than the 100 there, since there are few keys).
 */
public record Guesses(int wrong) {
    public static final int MOST = 10;

    public boolean isShut() {
        return wrong >= MOST;
    }

    public Guesses another() {
        return new Guesses(Math.min(MOST, wrong + 1));
    }

    public int left() {
        return Math.max(0, MOST - wrong);
    }
}
