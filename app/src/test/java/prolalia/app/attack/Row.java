package prolalia.app.attack;

import java.util.Locale;

/**
 * What became of one attack.
 *
 * @param did what was done, with figures
 * @param found what was measured
 * @param held whether what is promised held
 */
record Row(String name, String did, String found, boolean held) {
    static Row of(String name, boolean held, String did, String found, Object... figures) {
        return new Row(name, did, String.format(Locale.ROOT, found, figures), held);
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%-10s %-6s %-66s %s", name, held ? "held" : "FAILED", did, found);
    }
}
