package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** What holds for every table: of the database as the newest migration leaves it. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DatabaseRulesTest {
    /** Hashes that are no file's, or of files that another column of the same lesson names, too. */
    private static final Set<String> NO_FILES = Set.of(
            "teacher.password_hash",
            "sign_in.secret_hash",
            "known_device.secret_hash",
            "password_link.secret_hash",
            "student_sign_in.secret_hash",
            "student_device.secret_hash",
            "substitute.secret_hash",
            // When each word sounds in a take; that take's file is known by it.
            "word_times.sound_hash",
            // A picture of a choice was brought in for its lesson: stage_picture.
            "line.picture_hash");

    private Connection database;

    @BeforeAll
    void open() throws SQLException {
        database = DriverManager.getConnection("jdbc:sqlite:" + Path.of("target", "codegen", "prolalia.db"));
    }

    @AfterAll
    void close() throws SQLException {
        database.close();
    }

    private List<List<String>> rows(String sql, String... columns) throws SQLException {
        List<List<String>> rows = new ArrayList<>();
        try (ResultSet found = database.createStatement().executeQuery(sql)) {
            while (found.next()) {
                List<String> row = new ArrayList<>();
                for (String column : columns) {
                    row.add(found.getString(column));
                }
                rows.add(row);
            }
        }
        return rows;
    }

    private List<String> tables() throws SQLException {
        return rows(
                        "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'"
                                + " AND name NOT LIKE 'flyway%'",
                        "name")
                .stream()
                .map(row -> row.get(0))
                .toList();
    }

    @Test
    void everyFileThatARowNamesIsInUse() throws SQLException {
        String use = rows("SELECT sql FROM sqlite_master WHERE name = 'media_use'", "sql")
                .get(0)
                .get(0);
        Set<String> forgotten = new HashSet<>();
        for (String table : tables()) {
            for (List<String> column : rows("PRAGMA table_info(" + table + ")", "name")) {
                String name = column.get(0);
                boolean isHash = name.equals("hash") || name.endsWith("_hash");
                boolean isUsed = Pattern.compile("SELECT " + name + "\\b[^;]*?FROM (\\w+)\\b")
                        .matcher(use.replaceAll("\\s+", " ").replace("UNION ALL", ";"))
                        .results()
                        .anyMatch(found -> found.group(1).equals(table));
                if (isHash && !isUsed && !NO_FILES.contains(table + "." + name)) {
                    forgotten.add(table + "." + name);
                }
            }
        }
        assertThat(forgotten)
                .as("its files would be taken for left over, and be gone in a week")
                .isEmpty();
    }

    @Test
    void everyReferenceIsFoundByAnIndex() throws SQLException {
        Set<String> scanned = new HashSet<>();
        for (String table : tables()) {
            Set<String> found = new HashSet<>();
            for (List<String> index : rows("PRAGMA index_list(" + table + ")", "name")) {
                found.add(rows("PRAGMA index_info('" + index.get(0) + "')", "name")
                        .get(0)
                        .get(0));
            }
            for (List<String> reference : rows("PRAGMA foreign_key_list(" + table + ")", "from")) {
                if (!found.contains(reference.get(0))) {
                    scanned.add(table + "." + reference.get(0));
                }
            }
        }
        assertThat(scanned).isEmpty();
    }

    /** What is in these is looked at before they go, and its files go with them. */
    @Test
    void whatHoldsRecordingsNeverGoesByItself() throws SQLException {
        Set<String> byRule = new HashSet<>();
        Set<String> emptied = new HashSet<>();
        for (String table : tables()) {
            for (List<String> reference : rows("PRAGMA foreign_key_list(" + table + ")", "table", "on_delete")) {
                if (reference.get(1).equals("CASCADE")) {
                    byRule.add(table + " of " + reference.get(0));
                } else if (reference.get(1).equals("SET NULL")) {
                    emptied.add(table);
                }
            }
        }
        assertThat(byRule)
                .contains("take_finding of take", "link_use of link", "remark of answer", "visit of student")
                .doesNotContain("page of lesson", "line of page", "take of line", "assignment of lesson")
                .doesNotContain("response of assignment", "response of student", "lesson of school_class");
        assertThat(emptied)
                .containsExactlyInAnyOrder(
                        "split_line", "batch_file", "remark", "line", "rotation", "paper_page", "long_recording");
    }
}
