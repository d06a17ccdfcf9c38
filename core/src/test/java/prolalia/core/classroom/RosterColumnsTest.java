package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Which column of a school's table means what. */
class RosterColumnsTest {
    private static RosterColumns of(String... headings) {
        return RosterColumns.of(List.of(headings)).orElseThrow();
    }

    @Test
    void headingsOfOneRosterAndOfSchoolsAreKnown() {
        RosterColumns standard = of("sourcedId", "status", "givenName", "familyName", "preferredGivenName");
        assertThat(standard).isEqualTo(new RosterColumns(0, 4, 2, 3, -1, -1));
        assertThat(of("\ufeffSchülernummer", "Nachname", "Vorname", "Klasse"))
                .isEqualTo(new RosterColumns(0, -1, 2, 1, -1, 3));
        assertThat(of(" Student_Name ", "HOMEROOM")).isEqualTo(new RosterColumns(-1, -1, -1, -1, 0, 1));
        assertThat(RosterColumns.of(List.of("grade", "e-mail"))).isEmpty();
        assertThat(RosterColumns.of(List.of())).isEmpty();
    }

    @Test
    void aPlainerHeadingComesBeforeAFarFetchedOne() {
        assertThat(of("number", "studentid", "name").id()).isEqualTo(1);
        assertThat(of("group", "class", "name").schoolClass()).isEqualTo(1);
    }

    @Test
    void theNameSheGoesByComesBeforeTheGivenOne() {
        RosterColumns columns = of("id", "preferredGivenName", "givenName", "familyName", "class");
        assertThat(columns.name(List.of("7", "Mia", "Maria", "Lind", "2b"))).isEqualTo("Mia Lind");
        assertThat(columns.name(List.of("7", " ", "Maria", "Lind", "2b"))).isEqualTo("Maria Lind");
        assertThat(columns.name(List.of("7", "", "Maria"))).isEqualTo("Maria");
        assertThat(columns.id(List.of(" 7 ", "Mia"))).isEqualTo("7");
        assertThat(columns.id(List.of(" ", "Mia"))).isNull();
        assertThat(columns.schoolClass(List.of("7", "Mia", "Maria", "Lind", " 2b ")))
                .isEqualTo("2b");
        assertThat(columns.schoolClass(List.of("7"))).isEmpty();
    }

    @Test
    void aWholeNameThatBeginsWithTheFamilyIsTurned() {
        RosterColumns columns = of("name");
        assertThat(columns.name(List.of("Lind, Mara"))).isEqualTo("Mara Lind");
        assertThat(columns.name(List.of("Mara Lind"))).isEqualTo("Mara Lind");
        assertThat(columns.name(List.of("Lind,"))).contains("Lind");
        assertThat(columns.name(List.of("Lind, Mara, 2b"))).isEqualTo("Lind, Mara, 2b");
    }
}
