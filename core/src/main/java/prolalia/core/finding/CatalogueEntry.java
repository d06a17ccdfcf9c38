package prolalia.core.finding;

import java.util.Locale;

/** One thing that can be found, or that something can be refused for: an entry of a catalogue, which is an enum. */
public interface CatalogueEntry {
    /** Its name within the catalogue. */
    String name();

    /** What the keys of the catalogue's words begin with in the message bundle. */
    String words();

    Severity severity();

    /** As it stands in files and on the command line: small letters, with hyphens, for example {@code cut-off-end}. */
    default String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Where its words stand in the message bundle. */
    default String messageKey() {
        return words() + "." + name();
    }
}
