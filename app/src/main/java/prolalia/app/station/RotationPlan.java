package prolalia.app.station;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.station.Rotation;
import prolalia.core.station.RotationClock;

/**
 * The rotation of a lesson whose pages are stations.
 *
 * @param groups names, in order
 * @param minutes of a round
 * @param rounds as wished for; fewer where more would be a second visit
 * @param signalLineId what is said at each change; null: a sound that ships
 * @param clock null: it wasn't started
 */
record RotationPlan(List<String> groups, int minutes, int rounds, String signalLineId, RotationClock clock) {
    static final RotationPlan NEW = new RotationPlan(List.of(), 10, 0, null, null);

    RotationPlan {
        groups = List.copyOf(groups);
    }

    /** @return null: there can be none, without groups or stations */
    Rotation rotation(int stations) {
        if (groups.isEmpty() || stations == 0) {
            return null;
        }
        int most = Rotation.mostRounds(groups.size(), Math.min(Rotation.MOST, stations));
        return new Rotation(
                groups.size(), Math.min(Rotation.MOST, stations), rounds < 1 ? most : Math.min(rounds, most));
    }

    RotationPlan with(RotationClock running) {
        return new RotationPlan(groups, minutes, rounds, signalLineId, running);
    }

    /** Names as somebody typed them, one in each row; those without one are numbered. */
    static List<String> named(String typed, int count) {
        List<String> names = new ArrayList<>(typed.lines()
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .map(name -> name.length() > 60 ? name.substring(0, 60) : name)
                .limit(Rotation.MOST)
                .toList());
        while (names.size() < Math.min(count, Rotation.MOST)) {
            names.add(Integer.toString(names.size() + 1));
        }
        return names;
    }
}
