package prolalia.core.finding;

import java.util.Locale;

/** How much a finding matters. */
public enum Severity {
    /** What was asked for can't be had, or students will miss something. */
    FAULT,
    /** It can be had, but may not be what was meant. */
    WARNING,
    /** It is only told. */
    INFO;

    /** As it stands in files and on the command line. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
