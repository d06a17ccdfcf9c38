package prolalia.core.insight;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prolalia.core.insight.HeardBefore.Attempt;
import prolalia.core.insight.HeardBefore.Hearing;
import prolalia.core.insight.HeardBefore.OfQuestion;
import prolalia.core.insight.NeedGroups.Group;
import prolalia.core.insight.NeedGroups.Wrong;

/** What was heard before it was answered, and what was not. */
class HeardBeforeTest {
    @Test
    void onlyWhatWasHeardBeforeTheAnswerCounts() {
        List<Hearing> hearings = List.of(
                new Hearing("ann", "q", 10, 20L, 0),
                new Hearing("ann", "a", 30, null, 60),
                new Hearing("ben", "q", 120, 130L, 0),
                new Hearing("ben", "a", 90, 140L, 40));
        HeardBefore before = HeardBefore.of(
                List.of(new Attempt("ann", "q", true, 100), new Attempt("ben", "q", false, 100)),
                hearings,
                Map.of("q", List.of("q", "a", "b"), "silent", List.of()));
        assertThat(before.questions()).hasSize(1);
        assertThat(before.cells().get(0).lines())
                .containsExactly(Map.entry("q", 1.0), Map.entry("a", 0.6), Map.entry("b", 0.0));
        assertThat(before.cells().get(1).lines()).containsEntry("q", 0.0).containsEntry("a", 0.4);
        assertThat(before.questions().get(0).linesNobodyHeard()).containsExactly("b");
        assertThat(before.questions().get(0).wrongGoesWithNotHearing())
                .as("two children are chance")
                .isFalse();
    }

    @Test
    void wrongAnswersThatGoWithNotHearingAreFoundAndThoseThatDoNotAreNot() {
        List<Attempt> attempts = new ArrayList<>();
        List<Hearing> hearings = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            boolean heard = i < 4;
            attempts.add(new Attempt("s" + i, "one", heard || i == 7, 100));
            attempts.add(new Attempt("s" + i, "other", i % 2 == 0, 100));
            if (heard) {
                hearings.add(new Hearing("s" + i, "one", 1, 2L, 0));
                hearings.add(new Hearing("s" + i, "other", 1, 2L, 0));
            }
        }
        Map<String, List<String>> lines = Map.of("one", List.of("one"), "other", List.of("other"));
        for (OfQuestion question : HeardBefore.of(attempts, hearings, lines).questions()) {
            assertThat(question.wrongGoesWithNotHearing())
                    .isEqualTo(question.question().equals("one"));
            assertThat(question.unheard()).containsExactly("s4", "s5", "s6", "s7");
        }
    }

    @Test
    void thoseWhoTookTheSameForTheRightOneAreAGroup() {
        List<Group> groups = NeedGroups.of(List.of(
                new Wrong("ann", "1", "rain gauge"),
                new Wrong("ben", "2", "four"),
                new Wrong("cid", "1", "rain gauge"),
                new Wrong("dot", "1", "wind sock"),
                new Wrong("cid", "1", "rain gauge")));
        assertThat(groups).containsExactly(new Group("1", "rain gauge", List.of("ann", "cid")));
    }
}
