package prolalia.app.stage;

/** Thrown when what is to be saved can't be; nothing was changed. */
public final class StageRefusedException extends RuntimeException {
    private final StageRefusal why;
    private final int detail;

    public StageRefusedException(StageRefusal why) {
        this(why, 0);
    }

    StageRefusedException(StageRefusal why, int detail) {
        super(why.name());
        this.why = why;
        this.detail = detail;
    }

    public StageRefusal why() {
        return why;
    }

    public int detail() {
        return detail;
    }
}
