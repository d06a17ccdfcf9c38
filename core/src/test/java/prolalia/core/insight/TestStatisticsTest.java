package prolalia.core.insight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import prolalia.core.insight.QuestionStatistics.ChoiceCount;
import prolalia.core.insight.QuestionStatistics.Known;
import prolalia.core.insight.QuestionStatistics.Tells;

/** Against tables that were worked out by hand, and tests whose questions are known to be easy or hard. */
class TestStatisticsTest {
    private static final double EXACT = 1e-4;

    /** Ten students; the third question is worth two points. */
    private static final int[][] TABLE = {
        {1, 1, 2, 1}, {1, 1, 2, 0}, {1, 1, 1, 1}, {1, 1, 0, 1}, {1, 0, 1, 0},
        {1, 0, 1, 1}, {0, 1, 0, 0}, {1, 0, 0, 0}, {0, 0, 1, 0}, {0, 0, 0, 0}
    };

    private static List<Scored> table() {
        List<Scored> scored = new ArrayList<>();
        for (int student = 0; student < TABLE.length; student++) {
            for (int question = 0; question < 4; question++) {
                int points = TABLE[student][question];
                scored.add(new Scored(
                        "s" + student, "q" + (question + 1), points > 0 ? "A" : "B", points, question == 2 ? 2 : 1));
            }
        }
        return scored;
    }

    @Test
    void valuesAreThoseOfATableWorkedOutByHand() {
        List<Scored> shuffled = table();
        Collections.shuffle(shuffled, new Random(3));
        for (List<Scored> scored : List.of(table(), shuffled)) {
            TestStatistics statistics = TestStatistics.of(scored);
            assertThat(statistics.alpha()).isCloseTo(0.6448, within(EXACT));
            // Upper three: 5, 4, 4 points. Lower three: 0, and two of the three with 1 point.
            check(statistics, "q1", 0.7, 0.7778, 0.5331);
            check(statistics, "q2", 0.5, 0.7778, 0.3846);
            check(statistics, "q3", 0.4, 0.7222, 0.3840);
            check(statistics, "q4", 0.4, 0.6667, 0.4841);
            ChoiceCount right = find(statistics, "q4").choices().stream()
                    .filter(choice -> choice.answer().equals("A"))
                    .findFirst()
                    .orElseThrow();
            assertThat(right.count()).isEqualTo(4);
            assertThat(find(statistics, "q1").known()).isEqualTo(Known.MOST);
            assertThat(find(statistics, "q4").known()).isEqualTo(Known.HALF);
            assertThat(find(statistics, "q4").tells()).isEqualTo(Tells.WELL);
            assertThat(right.upperThird()).isCloseTo(0.6667, within(EXACT));
            assertThat(right.lowerThird()).isZero();
        }
    }

    private static QuestionStatistics find(TestStatistics statistics, String question) {
        return statistics.questions().stream()
                .filter(each -> each.question().equals(question))
                .findFirst()
                .orElseThrow();
    }

    private static void check(
            TestStatistics statistics, String question, double facility, double discrimination, double biserial) {
        QuestionStatistics of = find(statistics, question);
        assertThat(of.facility()).as(question).isCloseTo(facility, within(EXACT));
        assertThat(of.discrimination()).as(question).isCloseTo(discrimination, within(EXACT));
        assertThat(of.pointBiserial()).as(question).isCloseTo(biserial, within(EXACT));
    }

    @Test
    void whatIsUndefinedIsNullAndWhatIsMissingCountsAsNothing() {
        assertThat(TestStatistics.of(List.of())).isEqualTo(new TestStatistics(List.of(), null, 0));
        TestStatistics one = TestStatistics.of(List.of(new Scored("a", "q", "x", 1, 1)));
        assertThat(one.alpha()).isNull();
        assertThat(one.questions().get(0).facility()).isEqualTo(1);
        assertThat(one.questions().get(0).discrimination()).isNull();
        List<Scored> same = new ArrayList<>();
        for (String student : List.of("a", "b", "c")) {
            same.add(new Scored(student, "q", "x", 1, 1));
            same.add(new Scored(student, "r", "x", 0, 1));
        }
        TestStatistics equal = TestStatistics.of(same);
        assertThat(equal.alpha()).isNull();
        assertThat(equal.questions()).allMatch(each -> each.discrimination() == null && each.pointBiserial() == null);
        assertThat(equal.isSmall()).isTrue();
        same.add(new Scored("d", "q", "y", 0, 1));
        same.add(new Scored("d", "q", "x", 1, 1));
        QuestionStatistics r = find(TestStatistics.of(same), "r");
        assertThat(r.answered()).isEqualTo(3);
        assertThat(find(TestStatistics.of(same), "q").facility())
                .as("the last answer counts")
                .isEqualTo(1);
    }

    @Test
    void theOrderOfKnownDifficultyIsFoundAgain() {
        Random random = new Random(11);
        List<Scored> scored = new ArrayList<>();
        for (int student = 0; student < 3_000; student++) {
            double ability = random.nextGaussian();
            for (int question = 0; question < 9; question++) {
                // Rasch 1960: the chance of a right answer by ability less difficulty; the last is answered by chance
                // alone.
                double difficulty = question - 3.5;
                double chance = question == 8 ? 0.25 : 1 / (1 + Math.exp(difficulty - ability));
                scored.add(new Scored("s" + student, "q" + question, "", random.nextDouble() < chance ? 1 : 0, 1));
            }
        }
        List<QuestionStatistics> questions = TestStatistics.of(scored).questions();
        for (int question = 1; question < 8; question++) {
            assertThat(questions.get(question).facility())
                    .isLessThan(questions.get(question - 1).facility());
            assertThat(questions.get(question).pointBiserial()).isGreaterThan(0.08);
        }
        assertThat(questions.get(8).pointBiserial()).isBetween(-0.06, 0.06);
    }
}
