package prolalia.core.finding;

/** Why something isn't taken at all: an entry of a catalogue that always is a fault. */
public interface RefusalReason extends CatalogueEntry {
    @Override
    default Severity severity() {
        return Severity.FAULT;
    }
}
