package prolalia.core.station;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import prolalia.core.station.RotationClock.At;

class RotationTest {
    @Test
    void noGroupIsSomewhereTwiceAndNoTwoMeetAndBreaksAreEven() {
        for (int groups = 1; groups <= 12; groups++) {
            for (int stations = 1; stations <= 12; stations++) {
                for (int rounds = 1; rounds <= Rotation.mostRounds(groups, stations); rounds++) {
                    check(new Rotation(groups, stations, rounds));
                }
            }
        }
        check(new Rotation(40, 1, 40));
    }

    private static void check(Rotation plan) {
        for (int group = 0; group < plan.groups(); group++) {
            Set<Integer> visited = new HashSet<>();
            for (int round = 0; round < plan.rounds(); round++) {
                int station = plan.station(group, round);
                if (station != Rotation.BREAK) {
                    assertThat(visited.add(station))
                            .as("%s twice by %d", plan, group)
                            .isTrue();
                    assertThat(plan.group(station, round)).as("%s met", plan).isEqualTo(group);
                }
            }
            assertThat(visited.size() + plan.leftOut(group).size()).isEqualTo(plan.stations());
        }
        IntStream breaks = IntStream.range(0, plan.groups()).map(plan::breaks);
        var range = breaks.summaryStatistics();
        assertThat(range.getMax() - range.getMin()).as("breaks of %s", plan).isLessThanOrEqualTo(1);
    }

    @Test
    void whatMakesNoPlanIsRefused() {
        assertThatThrownBy(() -> new Rotation(0, 3, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Rotation(4, 3, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> RotationClock.started(0, 3, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theClockHaltsGoesOnAndGivesAMinuteMore() {
        RotationClock clock = RotationClock.started(10, 3, 1_000);
        assertThat(clock.at(61_000)).isEqualTo(new At(0, 540_000, 600_000));
        assertThat(clock.at(601_000)).isEqualTo(new At(1, 600_000, 600_000));
        RotationClock longer = clock.halted(301_000).withMinuteMore(9_000_000);
        assertThat(longer.at(99_000_000)).isEqualTo(new At(0, 360_000, 660_000));
        RotationClock running = longer.goneOn(1_000_000);
        assertThat(running.at(1_360_000).round()).isEqualTo(1);
        assertThat(running.at(1_360_000).lengthMs())
                .as("the next one is as usual")
                .isEqualTo(600_000);
        assertThat(running.inRound(2, 2_000_000).at(2_600_001).round())
                .as("all over")
                .isEqualTo(3);
        assertThat(running.inRound(-4, 0).round()).isZero();
    }
}
