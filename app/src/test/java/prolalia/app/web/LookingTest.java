package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** A teacher who looks changes nothing: no page that she opens writes to the database (SQLite: PRAGMA data_version). */
class LookingTest extends RunningHouse {
    private static final List<String> FIRST = List.of("/", "/classes", "/library", "/today", "/school", "/you");

    private static int version(Connection database) throws SQLException {
        try (ResultSet found = database.createStatement().executeQuery("PRAGMA data_version")) {
            return found.getInt(1);
        }
    }

    private static final int LOOKS = 5;

    @Test
    void noPageThatATeacherOpensWritesAnything() throws Exception {
        Visitor ines = Visitor.ines(base());
        Set<String> seen = new TreeSet<>();
        List<String> next = new ArrayList<>(FIRST);
        // Once, so that what is made at the first look is there, and to find what leads on; two of each kind of page.
        Map<String, Integer> kinds = new HashMap<>();
        for (int depth = 0; depth < 4; depth++) {
            List<String> found = new ArrayList<>();
            for (String path : next) {
                String kind = path.replaceAll("[0-9a-f-]{36}|/\\d+$", "*");
                if (kinds.getOrDefault(kind, 0) < 2 && seen.add(path)) {
                    kinds.merge(kind, 1, Integer::sum);
                    found.addAll(Visitor.all(
                            ines.page(path), "href=\"(/(?:lessons|classes|assignments|codes|takes)/[\\w/-]+)\""));
                }
            }
            next = found;
        }
        assertThat(seen).hasSizeGreaterThan(40).anyMatch(path -> path.endsWith("/answers"));
        List<String> wrote = new ArrayList<>();
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + DATA.resolve("prolalia.db"))) {
            int untouched = version(database);
            ines.newLine("Whoever writes is seen.");
            assertThat(version(database)).isNotEqualTo(untouched);
            wrote.addAll(seen);
            // Work of other tests may go on meanwhile: a page that writes does it whenever it is opened.
            for (int look = 0; look < LOOKS && !wrote.isEmpty(); look++) {
                List<String> again = new ArrayList<>();
                for (String path : wrote) {
                    int before = version(database);
                    ines.page(path);
                    if (version(database) != before) {
                        again.add(path);
                    }
                }
                wrote = again;
            }
        }
        assertThat(wrote).isEmpty();
    }
}
