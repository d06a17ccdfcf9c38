package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.GZIPInputStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Databases that earlier versions left are those of today after their migration, and nothing of what was said in them is lost. They
 * are the demo's as it was then. A migration that landed and was changed since is refused: each knows what it was made by.
 */
class OldDatabasesTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @ValueSource(ints = {1, 12, 18, 30})
    void anOldDatabaseBecomesThatOfTodayAndLosesNothing(int version) throws Exception {
        Path file = folder.resolve("prolalia.db");
        unpack("/databases/v" + version + ".db.gz", file);
        Set<String> heard;
        Set<String> answered;
        Set<String> recordings;
        try (Connection before = open(file)) {
            heard = rows(
                    before,
                    "SELECT line.id || ' ' || take.sound_hash FROM line JOIN take ON take.id = line.kept_take_id");
            answered = version < 16
                    ? Set.of()
                    : rows(
                            before,
                            "SELECT recording_id || ' ' || response_id || ' ' || question_id || ' ' || sound_hash || ' ' || "
                                    + (version < 19 ? "''" : "coalesce(checks, '')") + " FROM spoken_answer");
            recordings = rows(before, "SELECT id || coalesce(raw_hash, '') FROM recording WHERE state = 'taken'");
            assertThat(heard).isNotEmpty();
            assertThat(recordings).isNotEmpty();
            assertThat(answered.isEmpty()).isEqualTo(version < 16);
        }
        Flyway.configure().dataSource("jdbc:sqlite:" + file, null, null).load().migrate();
        try (Connection now = open(file);
                Connection fresh = open(Path.of("target", "codegen", "prolalia.db"))) {
            assertThat(rows(
                            now,
                            "SELECT kept_take.line_id || ' ' || sound_hash FROM kept_take JOIN take ON take.id = take_id"
                                    + " WHERE kept_take.voice = 'main'"))
                    .containsExactlyInAnyOrderElementsOf(heard);
            assertThat(rows(
                            now,
                            "SELECT id || ' ' || response_id || ' ' || question_id || ' ' || sound_hash || ' '"
                                    + " || coalesce(checks, '') FROM spoken WHERE sound_hash IS NOT NULL"))
                    .containsExactlyInAnyOrderElementsOf(answered);
            assertThat(rows(now, "SELECT id || coalesce(raw_hash, '') FROM spoken WHERE state = 'taken'"))
                    .containsExactlyInAnyOrderElementsOf(recordings);
            assertThat(rows(now, "PRAGMA foreign_key_check")).isEmpty();
            assertThat(rows(now, "PRAGMA integrity_check")).containsExactly("ok");
            String columns =
                    "SELECT m.name || '.' || c.name || ' ' || c.type || c.\"notnull\" || c.pk FROM sqlite_master m,"
                            + " pragma_table_info(m.name) c WHERE m.type IN ('table', 'view') AND m.name NOT LIKE 'flyway%'";
            assertThat(rows(now, columns)).isEqualTo(rows(fresh, columns));
            String others = "SELECT type || ' ' || name FROM sqlite_master WHERE name NOT LIKE 'flyway%'";
            assertThat(rows(now, others)).isEqualTo(rows(fresh, others));
        }
    }

    private static void unpack(String resource, Path file) throws IOException {
        try (InputStream packed = OldDatabasesTest.class.getResourceAsStream(resource)) {
            Files.copy(new GZIPInputStream(packed), file);
        }
    }

    private static Connection open(Path file) throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + file);
    }

    private static Set<String> rows(Connection database, String sql) throws SQLException {
        Set<String> rows = new TreeSet<>();
        try (ResultSet found = database.createStatement().executeQuery(sql)) {
            while (found.next()) {
                rows.add(found.getString(1));
            }
        }
        return rows;
    }
}
