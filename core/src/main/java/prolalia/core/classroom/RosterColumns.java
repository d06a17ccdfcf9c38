package prolalia.core.classroom;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Which column of a table of students means what, told from their headings: those of 1EdTech OneRoster 1.2 (users.csv), and what
 * schools write themselves.
 *
 * @param id of the student there; -1: there is none
 * @param preferred the given name that she goes by; -1: there is none
 * @param given her given name; -1: there is none
 * @param family her family name; -1: there is none
 * @param whole her whole name; -1: there is none
 * @param schoolClass the class that she is in; -1: there is none
 */
public record RosterColumns(int id, int preferred, int given, int family, int whole, int schoolClass) {
    private static final List<String> ID =
            List.of("sourcedid", "id", "studentid", "student id", "schülernummer", "pupil id", "identifier", "number");
    private static final List<String> PREFERRED =
            List.of("preferredgivenname", "preferred given name", "preferredfirstname");
    private static final List<String> GIVEN =
            List.of("givenname", "given name", "first name", "firstname", "vorname", "forename", "prénom");
    private static final List<String> FAMILY = List.of(
            "familyname", "family name", "last name", "lastname", "surname", "nachname", "name de famille", "nom");
    private static final List<String> WHOLE = List.of(
            "name", "full name", "fullname", "student", "student name", "pupil", "child", "schüler", "schülerin");
    private static final List<String> CLASS =
            List.of("class", "classname", "class name", "klasse", "group", "form", "homeroom", "classsourcedid");

    /** Empty when no column is a name. */
    public static Optional<RosterColumns> of(List<String> headings) {
        RosterColumns columns = new RosterColumns(
                find(headings, ID),
                find(headings, PREFERRED),
                find(headings, GIVEN),
                find(headings, FAMILY),
                find(headings, WHOLE),
                find(headings, CLASS));
        return columns.given >= 0 || columns.whole >= 0 || columns.family >= 0
                ? Optional.of(columns)
                : Optional.empty();
    }

    /** The first heading of the earliest name that is there. */
    private static int find(List<String> headings, List<String> names) {
        List<String> plain = headings.stream()
                .map(heading -> heading.replace("\ufeff", "")
                        .strip()
                        .toLowerCase(Locale.ROOT)
                        .replace('_', ' '))
                .toList();
        return names.stream()
                .mapToInt(plain::indexOf)
                .filter(at -> at >= 0)
                .findFirst()
                .orElse(-1);
    }

    /** The name of a row as it is kept; what it lacks is left out. */
    public String name(List<String> row) {
        String first = at(row, preferred).isBlank() ? at(row, given) : at(row, preferred);
        String both = Names.tidy(first + " " + at(row, family));
        String alone = Names.tidy(at(row, whole));
        return both.isEmpty() ? turned(alone) : both;
    }

    /** "Lind, Mara" is Mara Lind. */
    private static String turned(String name) {
        String[] parts = name.split(",", -1);
        return parts.length == 2 && Arrays.stream(parts).noneMatch(String::isBlank)
                ? Names.tidy(parts[1] + " " + parts[0])
                : name;
    }

    /** Null when there is none. */
    public String id(List<String> row) {
        String found = at(row, id).strip();
        return found.isEmpty() ? null : found;
    }

    public String schoolClass(List<String> row) {
        return Names.tidy(at(row, schoolClass));
    }

    private static String at(List<String> row, int column) {
        return column >= 0 && column < row.size() ? row.get(column) : "";
    }
}
