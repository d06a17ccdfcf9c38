package prolalia.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.marking.RubricText.Finding;
import prolalia.core.marking.RubricText.Problem;

/** Rubrics as teachers write them, and what answers are worth by them. */
class RubricTest {
    private static final String WRITTEN = """
            Loud enough
            0 I could not hear you
            1) Sometimes
            2 - All the time

            In whole sentences
            0,5 Words
            3 Sentences
            """;

    @Test
    void whatIsWrittenAndWhatIsATableAreTheSame() {
        Rubric rubric = RubricText.read("Speaking", RubricText.rows(WRITTEN)).rubric();
        assertThat(rubric.criteria()).hasSize(2);
        assertThat(rubric.criteria().get(0).levels())
                .extracting(Rubric.Level::words)
                .containsExactly("I could not hear you", "Sometimes", "All the time");
        assertThat(rubric.most()).isEqualTo(5);
        assertThat(RubricText.read("Speaking", RubricText.table(rubric)).rubric())
                .isEqualTo(rubric);
        assertThat(RubricText.read("Speaking", RubricText.rows("Loud\tno\t0\n\tyes\t2"))
                        .rubric()
                        .most())
                .isEqualTo(2);
        assertThat(rubric.points(List.of(2, 1), 4)).isEqualTo(4);
        assertThat(rubric.points(List.of(1, 0), 4)).isEqualTo(1.2);
        assertThatThrownBy(() -> rubric.points(List.of(1, 2), 4)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsNoRubricSaysWhyAndWhere() {
        assertThat(problems("")).containsExactly(Problem.EMPTY);
        assertThat(problems("Loud\nClear\n1 yes")).containsExactly(Problem.NO_LEVELS);
        assertThat(problems("1 yes\nLoud\n1 no")).containsExactly(Problem.NO_CRITERION);
        assertThat(problems("Loud\n0 no\n0 yes")).containsExactly(Problem.NO_WORTH);
        assertThat(problems("Loud\tyes\tmany")).contains(Problem.NO_POINTS);
        assertThat(problems("Loud\n" + "1 yes\n".repeat(10))).containsExactly(Problem.TOO_MANY_LEVELS);
    }

    private static List<Problem> problems(String text) {
        return RubricText.read("x", RubricText.rows(text)).findings().stream()
                .map(Finding::problem)
                .toList();
    }
}
