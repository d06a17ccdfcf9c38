package prolalia.core.classroom;

/**
 * How often a picture key was wrong since it was last right. After ten wrong ones from one device a child comes in there no more
 * until the teacher lets her in, and the teacher sees it; after a hundred from wherever, nowhere but where she came in before (NIST
 * SP 800-63B 3.2.2: at most 100).
 */
public record Guesses(int wrong) {
    public static final int NOTICED = 10;
    public static final int MOST = 100;

    /** Of one device: it is shut out. Of all: the teacher is told. */
    public boolean isNoticed() {
        return wrong >= NOTICED;
    }

    public boolean isShut() {
        return wrong >= MOST;
    }

    public Guesses another() {
        return new Guesses(Math.min(MOST, wrong + 1));
    }
}
