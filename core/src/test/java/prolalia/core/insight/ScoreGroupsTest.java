package prolalia.core.insight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

/** The groups by which it is told whether a question parts those who know from those who don't. */
class ScoreGroupsTest {
    private static double sum(double[] group) {
        return Arrays.stream(group).sum();
    }

    @Test
    void tenStudentsOfWhomNoTwoHaveAsMany() {
        ScoreGroups groups = ScoreGroups.of(new double[] {9, 0, 8, 1, 7, 2, 6, 3, 5, 4});
        assertThat(groups.upper()).as("2.7 of ten are three").containsExactly(1, 0, 1, 0, 1, 0, 0, 0, 0, 0);
        assertThat(groups.lower()).containsExactly(0, 1, 0, 1, 0, 1, 0, 0, 0, 0);
        assertThat(groups.upperThird()).containsExactly(groups.upper());
    }

    @Test
    void thoseWithAsManyAsTheLastBelongInPart() {
        ScoreGroups groups = ScoreGroups.of(new double[] {5, 3, 3, 3, 1, 1, 1, 1, 1, 1});
        assertThat(groups.upper()).containsExactly(1, 2 / 3.0, 2 / 3.0, 2 / 3.0, 0, 0, 0, 0, 0, 0);
        assertThat(groups.lower()).containsExactly(0, 0, 0, 0, .5, .5, .5, .5, .5, .5);
        ScoreGroups equal = ScoreGroups.of(new double[] {2, 2, 2, 2});
        assertThat(equal.upper()).containsExactly(equal.lower());
        assertThat(sum(equal.upper())).isCloseTo(1, within(1e-9));
    }

    @Test
    void oneAloneIsBothAndNobodyIsNone() {
        ScoreGroups one = ScoreGroups.of(new double[] {3});
        assertThat(one.upper()).containsExactly(1);
        assertThat(one.lower()).containsExactly(1);
        assertThat(ScoreGroups.of(new double[0]).upper()).isEmpty();
    }

    @Test
    void meansCountEachAsMuchAsSheBelongs() {
        assertThat(ScoreGroups.mean(new double[] {1, 0.5, 0}, new double[] {1, 0, 1}))
                .isCloseTo(2 / 3.0, within(1e-9));
        assertThat(ScoreGroups.mean(new double[] {0, 0}, new double[] {1, 1})).isZero();
    }
}
