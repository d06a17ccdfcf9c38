package prolalia.app.storage;

import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Repository;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/** Who uses the files of the media store, and the rows of what was removed long enough ago. */
@Repository
class StorageStore {
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private static final int CHECKPOINT_PATIENCE_MS = 300;

    private final DSLContext writing;

    @Autowired
    StorageStore(DSLContext writing) {
        this.writing = writing;
    }

    /** Of a database that a server may be using; nothing can be changed by it. */
    static StorageStore lookingAt(Path database) {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + database);
        return new StorageStore(DSL.using(source, SQLDialect.SQLITE));
    }

    /** The files that something uses. */
    Set<String> used() {
        return new HashSet<>(names("SELECT DISTINCT hash FROM media_use WHERE hash IS NOT NULL"));
    }

    /** An id of ours, which can stand in a condition. */
    static String id(String id) {
        if (!ID.matcher(id).matches()) {
            throw new IllegalArgumentException("no id");
        }
        return id;
    }

    private List<String> names(String sql) {
        return writing.fetch(sql).getValues(0, String.class);
    }

    Set<String> recordings() {
        return new HashSet<>(names("SELECT id FROM spoken"));
    }

    /** Recordings whose chunks nobody will ask for: those that were ended, refused or thrown away before a time. */
    List<String> concludedBefore(long before) {
        return names("SELECT id FROM spoken WHERE state <> 'open' AND changed_at < " + before);
    }

    /**
     * Deletes what was removed before a time; what something else still uses stays. Details of a row go along by the database's own rules
     * (ON DELETE); here stands what has an order, or recordings in it.
     *
     * @return how many lines went
     */
    int forgetRemoved(long before) {
        String gone = "removed_at IS NOT NULL AND removed_at < " + before;
        String lessons = "SELECT id FROM lesson WHERE " + gone;
        String pages = "SELECT id FROM page WHERE " + gone + " OR lesson_id IN (" + lessons + ")";
        writing.execute("DROP TABLE IF EXISTS temp.going");
        writing.execute(
                "CREATE TEMP TABLE going AS SELECT id FROM line WHERE " + gone + " OR page_id IN (" + pages + ")");
        // A standing line that is still said somewhere, and a take that is still heard somewhere, hold their line.
        writing.execute("DELETE FROM going WHERE id IN ("
                + "SELECT standing_line_id FROM line WHERE id NOT IN (SELECT id FROM going) AND standing_line_id IS NOT NULL"
                + " UNION SELECT take.line_id FROM kept_take JOIN take ON take.id = kept_take.take_id"
                + " WHERE kept_take.line_id NOT IN (SELECT id FROM going))");
        // What is said in a class stays as long as it is said there.
        writing.execute("DELETE FROM going WHERE id IN (SELECT name_line_id FROM class_student"
                + " UNION SELECT title_line_id FROM assignment"
                + " UNION SELECT direction_line_id FROM assignment WHERE direction_line_id IS NOT NULL"
                + " UNION SELECT line_id FROM remark WHERE line_id IS NOT NULL AND removed_at IS NULL)");
        String lines = "(SELECT id FROM going)";
        // A take that was thrown away alone, unless it is heard somewhere again.
        String takes = "(SELECT id FROM take WHERE line_id IN " + lines + " OR removed_at < " + before
                + " AND id NOT IN (SELECT take_id FROM kept_take))";
        writing.execute("DROP TABLE IF EXISTS temp.voices_going");
        writing.execute("CREATE TEMP TABLE voices_going AS SELECT recording_id FROM take WHERE id IN " + takes);
        writing.execute("DELETE FROM kept_take WHERE line_id IN " + lines);
        writing.execute("DELETE FROM take WHERE id IN " + takes);
        writing.execute("DELETE FROM spoken WHERE id IN (SELECT recording_id FROM voices_going)");
        writing.execute("DROP TABLE temp.voices_going");
        writing.execute("DELETE FROM name_line WHERE line_id IN " + lines);
        int deleted = writing.execute("DELETE FROM line WHERE id IN " + lines);
        writing.execute("DELETE FROM word_times WHERE sound_hash NOT IN"
                + " (SELECT sound_hash FROM take WHERE sound_hash IS NOT NULL)");
        writing.execute(
                "UPDATE spoken SET raw_hash = NULL WHERE state IN ('refused', 'discarded') AND changed_at < " + before);
        writing.execute("DELETE FROM script_change WHERE made_at < " + before);
        emptyPages(pages);
        emptyLessons(lessons);
        writing.execute("DROP TABLE temp.going");
        return deleted;
    }

    /**
     * Deletes responses with all that was said, drawn and brought in them.
     *
     * @param which a condition on rows of responses
     * @return what lies in files of it
     */
    Voices forgetResponses(String which) {
        writing.execute("DROP TABLE IF EXISTS temp.responses_going");
        writing.execute("CREATE TEMP TABLE responses_going AS SELECT id FROM response WHERE " + which);
        String responses = "(SELECT id FROM responses_going)";
        String ofThese = "response_id IN " + responses;
        Set<String> recordings = new HashSet<>(names("SELECT id FROM spoken WHERE " + ofThese));
        Set<String> files = new HashSet<>(names("SELECT raw_hash FROM spoken WHERE " + ofThese
                + " UNION SELECT sound_hash FROM spoken WHERE " + ofThese
                + " UNION SELECT sound_hash FROM remark WHERE answer_id IN (SELECT id FROM answer WHERE response_id IN "
                + responses + ")"
                + " UNION SELECT hash FROM answer_picture WHERE response_id IN " + responses));
        files.remove(null);
        // What was typed to nobody else goes, and whoever's voice says it.
        String ofTheirs = "answer_id IN (SELECT id FROM answer WHERE response_id IN " + responses + ")";
        List<String> lines = names("SELECT DISTINCT line_id FROM remark WHERE line_id IS NOT NULL AND " + ofTheirs
                + " AND line_id NOT IN (SELECT line_id FROM remark WHERE line_id IS NOT NULL AND NOT " + ofTheirs
                + ")");
        Voices said = voicesOf(lines);
        files.addAll(said.files());
        recordings.addAll(said.recordings());
        removeLongAgo(lines);
        writing.execute("DELETE FROM response WHERE id IN " + responses);
        writing.execute("DROP TABLE temp.responses_going");
        return new Voices(files, recordings);
    }

    /** The files of the recordings of some lines, and those recordings. */
    record Voices(Set<String> files, Set<String> recordings) {
        Voices and(Voices more) {
            Set<String> allFiles = new HashSet<>(files);
            allFiles.addAll(more.files);
            Set<String> allRecordings = new HashSet<>(recordings);
            allRecordings.addAll(more.recordings);
            return new Voices(allFiles, allRecordings);
        }
    }

    static final String FILE = "file";
    static final String CHUNKS = "chunks";
    private static final String LOG = "log";

    /** @param kind of what may still lie somewhere: {@link #FILE}, {@link #CHUNKS}, or the log of changes */
    record MustGo(String kind, String what, long at) {}

    void mustGo(Voices voices, long now) {
        voices.files().forEach(file -> mustGo(FILE, file, now));
        voices.recordings().forEach(recording -> mustGo(CHUNKS, recording, now));
        mustGo(LOG, "", now);
    }

    private void mustGo(String kind, String what, long now) {
        writing.execute("INSERT OR REPLACE INTO must_go (kind, what, at) VALUES (?, ?, ?)", kind, what, now);
    }

    List<MustGo> mustGo() {
        return writing.fetch("SELECT kind, what, at FROM must_go ORDER BY kind")
                .map(row -> new MustGo(row.get(0, String.class), row.get(1, String.class), row.get(2, Long.class)));
    }

    void isGone(MustGo gone) {
        writing.execute(
                "DELETE FROM must_go WHERE kind = ? AND what = ? AND at = ?", gone.kind(), gone.what(), gone.at());
    }

    Voices voicesOf(List<String> lineIds) {
        Set<String> files = new HashSet<>();
        Set<String> recordings = new HashSet<>();
        for (String line : lineIds) {
            writing.fetch("SELECT original_hash, sound_hash FROM take WHERE line_id = ?", line)
                    .forEach(row -> {
                        files.add(row.get(0, String.class));
                        files.add(row.get(1, String.class));
                    });
            writing.fetch("SELECT id, raw_hash FROM spoken WHERE line_id = ?", line)
                    .forEach(row -> {
                        recordings.add(row.get(0, String.class));
                        files.add(row.get(1, String.class));
                    });
        }
        files.remove(null);
        return new Voices(files, recordings);
    }

    /**
     * Moves all changes into the database file, and empties the write-ahead log (SQLite: wal_checkpoint). Answers whether it is
     * empty: somebody who reads an older state keeps it, and isn't waited for.
     */
    boolean emptyChangeLog() {
        return writing.connectionResult(connection -> {
            try (Statement statement = connection.createStatement()) {
                int patience = number(statement, "PRAGMA busy_timeout");
                statement.execute("PRAGMA busy_timeout = " + CHECKPOINT_PATIENCE_MS);
                try {
                    return number(statement, "PRAGMA wal_checkpoint(TRUNCATE)") == 0;
                } finally {
                    statement.execute("PRAGMA busy_timeout = " + patience);
                }
            }
        });
    }

    private static int number(Statement statement, String pragma) throws SQLException {
        try (ResultSet found = statement.executeQuery(pragma)) {
            return found.next() ? found.getInt(1) : 0;
        }
    }

    /** Some lines were removed long ago. */
    void removeLongAgo(List<String> lineIds) {
        lineIds.forEach(line -> {
            writing.execute("UPDATE line SET removed_at = 0, words = '' WHERE id = ?", line);
            writing.execute("DELETE FROM kept_take WHERE line_id = ?", line);
        });
    }

    private void emptyPages(String pages) {
        String empty = "(SELECT id FROM page WHERE id IN (" + pages + ") AND id NOT IN (SELECT page_id FROM line))";
        writing.execute("DELETE FROM stage WHERE owner_id IN " + empty);
        writing.execute("DELETE FROM stage_version WHERE owner_id IN " + empty);
        writing.execute("DELETE FROM page WHERE id IN " + empty);
    }

    private void emptyLessons(String lessons) {
        String empty =
                "(SELECT id FROM lesson WHERE id IN (" + lessons + ") AND id NOT IN (SELECT lesson_id FROM page))";
        String given = "(SELECT id FROM assignment WHERE lesson_id IN " + empty + ")";
        forgetResponses("assignment_id IN " + given);
        writing.execute("DELETE FROM assignment WHERE lesson_id IN " + empty);
        writing.execute("DELETE FROM stage WHERE owner_id IN " + empty);
        writing.execute("DELETE FROM stage_version WHERE owner_id IN " + empty);
        writing.execute("DELETE FROM lesson WHERE id IN " + empty);
    }

    /** What is wrong with the database itself; empty when it is whole. */
    List<String> faults() {
        List<String> faults = new ArrayList<>(names("PRAGMA integrity_check"));
        faults.removeIf("ok"::equals);
        writing.fetch("PRAGMA foreign_key_check")
                .forEach(row -> faults.add(row.get(0) + " row " + row.get(1) + " names a missing " + row.get(2)));
        return faults;
    }

    /** How many things were removed and can be put back. */
    int removed() {
        return writing.fetchOne("SELECT (SELECT count(*) FROM lesson WHERE removed_at IS NOT NULL)"
                        + " + (SELECT count(*) FROM page WHERE removed_at IS NOT NULL)"
                        + " + (SELECT count(*) FROM line WHERE removed_at IS NOT NULL)")
                .get(0, Integer.class);
    }

    /** Recordings by how far they have come. */
    List<String> recordingsByState() {
        return writing.fetch("SELECT state || ' ' || count(*) FROM spoken GROUP BY state ORDER BY state")
                .getValues(0, String.class);
    }
}
