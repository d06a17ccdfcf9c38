package prolalia.formats.paper;

import prolalia.core.finding.RefusalReason;

/** Thrown when a file can't be brought in. */
public final class PaperRefusedException extends Exception {
    /** Why it can't. */
    public enum Reason implements RefusalReason {
        /** No kind of file that pages can be made of. */
        UNKNOWN,
        /** Of a kind that is understood, but broken. */
        BROKEN,
        /** It wants a password. */
        ENCRYPTED,
        /** It may be read, but not changed, without a password. */
        LOCKED,
        /** Slides as they were saved before 2007. */
        OLD_SLIDES,
        /** Open document slides, which can't be drawn here. */
        OPEN_DOCUMENT,
        /** There is no page in it. */
        EMPTY,
        /** More pages than a file may have. */
        TOO_MANY_PAGES,
        /** More bytes, or more of them once unpacked, than a file may have. */
        TOO_LARGE,
        /** It took longer than any paper should. */
        TOO_SLOW;

        @Override
        public String words() {
            return "intake.refusal";
        }
    }

    private final Reason reason;

    public PaperRefusedException(Reason reason) {
        this(reason, null);
    }

    public PaperRefusedException(Reason reason, Throwable cause) {
        super(reason.name(), cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
