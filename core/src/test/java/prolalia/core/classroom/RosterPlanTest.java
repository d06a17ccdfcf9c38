package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.classroom.RosterPlan.Entry;
import prolalia.core.classroom.RosterPlan.Kind;
import prolalia.core.classroom.RosterPlan.Known;
import prolalia.core.classroom.RosterPlan.Row;

/** What a list of students would change in a class is told before it is done. */
class RosterPlanTest {
    private static List<Kind> kinds(List<Row> rows, Known... known) {
        return RosterPlan.of(rows, List.of(known)).stream().map(Entry::kind).toList();
    }

    @Test
    void whoHasTheSameIdIsTheSameWhateverSheIsCalled() {
        assertThat(kinds(
                        List.of(new Row("7", "Mara Berg"), new Row("8", "Ole Petersen"), new Row("9", "Pia Neu")),
                        new Known("a", "7", "Mara Lind"),
                        new Known("b", "8", "Ole Petersen"),
                        new Known("c", "5", "Tom Weg")))
                .containsExactly(Kind.RENAMED, Kind.SAME, Kind.NEW, Kind.GONE);
    }

    @Test
    void withoutAnIdTheNameTellsUnlessThereAreSeveral() {
        assertThat(kinds(List.of(new Row(null, "LIND, Mara")), new Known("a", null, "Mára Lind")))
                .containsExactly(Kind.RENAMED);
        assertThat(kinds(
                        List.of(new Row(null, "Mara Lind")),
                        new Known("a", null, "Mara Lind"),
                        new Known("b", null, "mara lind")))
                .as("nobody is gone while it isn't told who is meant")
                .containsExactly(Kind.DOUBTFUL);
        assertThat(kinds(List.of(new Row(null, "Bo"), new Row(null, "Bo"))))
                .containsExactly(Kind.DOUBTFUL, Kind.DOUBTFUL);
        assertThat(kinds(List.of(new Row("1", "Bo"), new Row("1", "Bo")))).containsExactly(Kind.NEW, Kind.DOUBTFUL);
        assertThat(kinds(List.of(new Row("1", "Bo"), new Row("2", "Bo"))))
                .as("two children of one name")
                .containsExactly(Kind.NEW, Kind.NEW);
    }

    @Test
    void aFormulaOrNothingIsNoName() {
        assertThat(kinds(List.of(new Row(null, "=1+1"), new Row(null, ""), new Row(null, "…"), new Row(null, "Ü"))))
                .containsExactly(Kind.NO_NAME, Kind.NO_NAME, Kind.NO_NAME, Kind.NEW);
    }

    @Test
    void fiveThousandAreToldApartAtOnce() {
        List<Row> rows = java.util.stream.IntStream.range(0, 5_000)
                .mapToObj(i -> new Row(i % 2 == 0 ? "" + i : null, "Child " + i))
                .toList();
        List<Known> known = java.util.stream.IntStream.range(0, 200)
                .mapToObj(i -> new Known("s" + i, null, "Child " + i))
                .toList();
        assertThat(RosterPlan.of(rows, known)).hasSize(5_000);
    }
}
