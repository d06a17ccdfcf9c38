package prolalia.formats.qti;

import prolalia.core.finding.RefusalReason;

/** A file that isn't read as QTI; nothing of it was kept. */
public final class QtiRefusedException extends Exception {
    private static final long serialVersionUID = 1;

    private final Reason reason;

    /** The catalogue; the words stand in the message bundle under {@code qti.} and the name. */
    public enum Reason implements RefusalReason {
        /** No XML, and no ZIP of it. */
        NOT_QTI,
        /** It declares a document type or entities, which could fetch or swell anything. */
        DECLARES_ENTITIES,
        TOO_LARGE,
        /** There is no assessment item in it. */
        NO_ITEMS;

        @Override
        public String words() {
            return "qti";
        }
    }

    QtiRefusedException(Reason reason) {
        super(reason.name());
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
