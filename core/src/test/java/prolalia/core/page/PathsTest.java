package prolalia.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.page.Paths.Finding;
import prolalia.core.page.Paths.Kind;
import prolalia.core.page.Paths.Problem;
import prolalia.core.page.Paths.Way;

class PathsTest {
    private static List<Finding> findings(int pages, Way... jumps) {
        return Paths.of(pages, List.of(jumps)).findings();
    }

    @Test
    void pagesThatFollowEachOtherAndWrongWaysThatComeBackAreWell() {
        assertThat(findings(4)).isEmpty();
        assertThat(findings(1)).isEmpty();
        assertThat(findings(0)).isEmpty();
        assertThat(findings(
                        3,
                        new Way(0, 1, Kind.WRONG),
                        new Way(0, 2, Kind.RIGHT),
                        new Way(1, 0, Kind.PLAIN, false, true)))
                .isEmpty();
    }

    @Test
    void anArrowPastWhatAWayWasForIsFound() {
        assertThat(findings(3, new Way(0, 1, Kind.WRONG), new Way(0, 2, Kind.RIGHT), new Way(1, 0, Kind.PLAIN)))
                .as("who was to count again goes on instead")
                .containsExactly(new Finding(Problem.ARROW_PAST_BACK, 1, 0));
        assertThat(findings(4, new Way(0, 1, Kind.PLAIN), new Way(0, 2, Kind.PLAIN)))
                .containsExactly(new Finding(Problem.ARROW_PAST_CHOICE, 0, 1));
        assertThat(findings(3, new Way(0, 2, Kind.PLAIN)))
                .as("a short cut is none of several")
                .isEmpty();
        assertThat(findings(
                        4,
                        new Way(0, 3, Kind.WRONG),
                        new Way(0, 1, Kind.RIGHT),
                        new Way(3, Paths.BACK, Kind.PLAIN, false, true)))
                .contains(new Finding(Problem.ARROW_INTO_DETOUR, 2, 3));
    }

    @Test
    void aPageThatNobodyReachesIsFound() {
        assertThat(findings(3, new Way(0, 2, Kind.RIGHT), new Way(0, 0, Kind.WRONG)))
                .containsExactly(new Finding(Problem.NOT_REACHED, 1, -1));
    }

    @Test
    void aWrongWayIntoALoopAndAnEndThatIsNeverReachedAreFound() {
        assertThat(findings(
                        4,
                        new Way(0, 1, Kind.WRONG),
                        new Way(0, 2, Kind.RIGHT),
                        new Way(1, 1, Kind.WRONG),
                        new Way(2, 0, Kind.RIGHT)))
                .containsExactlyInAnyOrder(
                        new Finding(Problem.WRONG_WAY_ENDS, 0, 1),
                        new Finding(Problem.NO_WAY_OUT, 1, -1),
                        new Finding(Problem.WRONG_WAY_ENDS, 1, 1),
                        new Finding(Problem.NOT_REACHED, 3, -1),
                        new Finding(Problem.END_NOT_REACHED, 3, -1));
    }

    @Test
    void whereOnlyUnseenAreasLeadOnAChildStandsStill() {
        Way unseen = new Way(0, 2, Kind.RIGHT, true, false);
        assertThat(findings(3, unseen, new Way(0, 1, Kind.WRONG, true, false)))
                .containsExactly(new Finding(Problem.ONLY_UNSEEN, 0, -1));
        assertThat(findings(3, unseen, new Way(0, 1, Kind.WRONG))).isEmpty();
        assertThat(findings(3, new Way(0, 2, Kind.PLAIN, true, false)))
                .as("the arrow is there")
                .isEmpty();
    }

    @Test
    void aWayBackLeadsToWhereTheChildCameFrom() {
        Paths paths = Paths.of(
                3, List.of(new Way(0, 1, Kind.WRONG), new Way(0, 2, Kind.RIGHT), new Way(1, Paths.BACK, Kind.WRONG)));
        assertThat(paths.ways()).contains(new Way(1, 0, Kind.WRONG)).hasSize(3);
        assertThat(paths.findings()).isEmpty();
    }

    @Test
    void thePictureHasEveryPageOnceWithinItsEdgesAndEveryWay() {
        Paths paths = Paths.of(13, List.of(new Way(0, 12, Kind.RIGHT), new Way(12, 3, Kind.PLAIN)));
        PathPicture picture = PathPicture.of(paths, 6);
        assertThat(picture.sheets()).hasSize(13).allSatisfy(sheet -> {
            assertThat(sheet.x() + sheet.w()).isLessThan(picture.width());
            assertThat(sheet.y() + sheet.h()).isLessThan(picture.height());
        });
        assertThat(picture.lines())
                .hasSize(paths.ways().size())
                .allSatisfy(line -> assertThat(line.d()).startsWith("M"));
    }
}
