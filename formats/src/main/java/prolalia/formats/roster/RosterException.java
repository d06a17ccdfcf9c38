package prolalia.formats.roster;

import prolalia.core.finding.RefusalReason;

/** A file that isn't taken as a list of students. */
public final class RosterException extends Exception {
    private static final long serialVersionUID = 1;

    /** Why. */
    public enum Fault implements RefusalReason {
        EMPTY,
        /** No column is a name. */
        NO_NAMES,
        TOO_LARGE,
        TOO_MANY_ROWS,
        /** A ZIP that isn't OneRoster's. */
        OTHER_ZIP,
        BROKEN;

        @Override
        public String words() {
            return "roster.refused";
        }
    }

    private final Fault fault;

    public RosterException(Fault fault) {
        super(fault.name());
        this.fault = fault;
    }

    public Fault fault() {
        return fault;
    }
}
