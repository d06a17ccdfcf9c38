package prolalia.formats.roster;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import prolalia.core.classroom.RosterColumns;
import prolalia.core.classroom.RosterPlan;
import prolalia.formats.lesson.ZipNames;
import prolalia.formats.roster.RosterException.Fault;
import prolalia.formats.table.Table;

/**
 * Reads lists of students: a OneRoster 1.2 ZIP (users.csv with enrollments.csv and classes.csv), or one table whose columns are
 * recognized by their headings; a table of one column without a heading is a list of names.
 *
 * <pre>{@code
 * Roster roster = RosterReader.read(bytes);
 * List<RosterPlan.Row> terns = roster.byClass().get("Terns");
 * }</pre>
 *
 * <p>Stateless and thread-safe.
 */
public final class RosterReader {
    public static final int MOST_ROWS = 50_000;
    public static final int LARGEST_BYTES = 30 << 20;

    private static final String STUDENT = "student";

    private RosterReader() {}

    /** @throws RosterException if it is no list of students */
    public static Roster read(byte[] file) throws RosterException {
        if (file.length == 0) {
            throw new RosterException(Fault.EMPTY);
        }
        if (file.length > LARGEST_BYTES) {
            throw new RosterException(Fault.TOO_LARGE);
        }
        try {
            boolean zip = file.length > 3 && file[0] == 'P' && file[1] == 'K';
            return zip ? oneRoster(file) : table(file);
        } catch (IOException | UncheckedIOException | IllegalStateException broken) {
            throw new RosterException(Fault.BROKEN);
        }
    }

    private static Roster table(byte[] file) throws RosterException, IOException {
        Table table = rows(file);
        List<List<String>> rows = table.rows();
        if (rows.isEmpty()) {
            throw new RosterException(Fault.EMPTY);
        }
        var headed = RosterColumns.of(rows.get(0));
        boolean list = headed.isEmpty() && rows.stream().allMatch(row -> row.size() == 1);
        if (headed.isEmpty() && !list) {
            throw new RosterException(Fault.NO_NAMES);
        }
        RosterColumns columns = headed.orElse(new RosterColumns(-1, -1, -1, -1, 0, -1));
        Map<String, List<RosterPlan.Row>> byClass = new LinkedHashMap<>();
        for (List<String> row : rows.subList(list ? 0 : 1, rows.size())) {
            byClass.computeIfAbsent(columns.schoolClass(row), unseen -> new ArrayList<>())
                    .add(new RosterPlan.Row(columns.id(row), columns.name(row)));
        }
        return new Roster(byClass, rows.size() - (list ? 0 : 1), table.charset());
    }

    /** OneRoster 1.2 CSV binding, 2.4: files by their names, columns by their headings. */
    private static Roster oneRoster(byte[] file) throws RosterException, IOException {
        Map<String, List<Map<String, String>>> files = new HashMap<>();
        int rows = 0;
        try (ZipInputStream zip = ZipNames.stream(file)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String name = entry.getName().replaceAll(".*/", "").toLowerCase(Locale.ROOT);
                if (List.of("users.csv", "enrollments.csv", "classes.csv").contains(name)) {
                    byte[] content = zip.readNBytes(LARGEST_BYTES + 1);
                    if (content.length > LARGEST_BYTES) {
                        throw new RosterException(Fault.TOO_LARGE);
                    }
                    files.put(name, named(rows(content).rows()));
                }
            }
        }
        if (!files.containsKey("users.csv")) {
            throw new RosterException(Fault.OTHER_ZIP);
        }
        Map<String, String> classes = new HashMap<>();
        files.getOrDefault("classes.csv", List.of())
                .forEach(row -> classes.put(row.get("sourcedid"), row.getOrDefault("title", "")));
        Map<String, List<String>> classesOf = new HashMap<>();
        for (Map<String, String> row : files.getOrDefault("enrollments.csv", List.of())) {
            if (row.getOrDefault("role", STUDENT).equalsIgnoreCase(STUDENT) && isThere(row)) {
                classesOf
                        .computeIfAbsent(row.get("usersourcedid"), unseen -> new ArrayList<>())
                        .add(classes.getOrDefault(row.get("classsourcedid"), ""));
            }
        }
        Map<String, List<RosterPlan.Row>> byClass = new LinkedHashMap<>();
        for (Map<String, String> row : files.get("users.csv")) {
            // 1.2 has roles in a file of their own; where users have one, only students are meant.
            boolean student = row.getOrDefault("role", STUDENT).isBlank()
                    || row.getOrDefault("role", STUDENT).equalsIgnoreCase(STUDENT);
            List<String> in = classesOf.get(row.get("sourcedid"));
            if (student && isThere(row) && (in != null || classesOf.isEmpty())) {
                rows++;
                for (String each : in == null ? List.of("") : in) {
                    byClass.computeIfAbsent(each, unseen -> new ArrayList<>())
                            .add(new RosterPlan.Row(row.get("sourcedid"), name(row)));
                }
            }
        }
        return new Roster(byClass, rows, StandardCharsets.UTF_8.name());
    }

    private static boolean isThere(Map<String, String> row) {
        return !row.getOrDefault("status", "").equalsIgnoreCase("tobedeleted");
    }

    private static String name(Map<String, String> row) {
        List<String> headings = List.copyOf(row.keySet());
        return RosterColumns.of(headings)
                .map(columns -> columns.name(headings.stream().map(row::get).toList()))
                .orElse("");
    }

    private static List<Map<String, String>> named(List<List<String>> rows) {
        List<Map<String, String>> named = new ArrayList<>();
        for (int i = 1; i < rows.size(); i++) {
            Map<String, String> row = new LinkedHashMap<>();
            for (int column = 0;
                    column < Math.min(rows.get(0).size(), rows.get(i).size());
                    column++) {
                row.put(
                        rows.get(0).get(column).strip().toLowerCase(Locale.ROOT),
                        rows.get(i).get(column));
            }
            named.add(row);
        }
        return named;
    }

    private static Table rows(byte[] file) throws RosterException, IOException {
        try {
            return Table.read(file, MOST_ROWS);
        } catch (Table.TooManyRowsException many) {
            throw new RosterException(Fault.TOO_MANY_ROWS);
        }
    }
}
