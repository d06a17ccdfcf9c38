package prolalia.core.station;

import java.util.ArrayList;
import java.util.List;

/**
 * A plan in which no group meets a station twice and no two groups meet at one: a cyclic Latin square whose side is the larger of
 * the numbers of groups and stations. Where there are more groups than stations, the columns without a station are spread
 * evenly over the square, so that in any number of rounds the breaks of two groups differ by one at most.
 *
 * @param groups at least 1
 * @param stations at least 1
 * @param rounds at most {@link #mostRounds}
 */
public record Rotation(int groups, int stations, int rounds) {
    /** More of either are no class. */
    public static final int MOST = 60;

    /** In place of a station: the group has a break. */
    public static final int BREAK = -1;

    /** @throws IllegalArgumentException if there can be no such plan */
    public Rotation {
        if (groups < 1 || stations < 1 || groups > MOST || stations > MOST) {
            throw new IllegalArgumentException(groups + " groups, " + stations + " stations");
        }
        if (rounds < 1 || rounds > Math.max(groups, stations)) {
            throw new IllegalArgumentException(rounds + " rounds");
        }
    }

    /** In so many rounds each group has been everywhere; in one more it would come somewhere a second time. */
    public static int mostRounds(int groups, int stations) {
        return Math.max(groups, stations);
    }

    /** The station of a group in a round, all from 0; {@link #BREAK} when it has none. */
    public int station(int group, int round) {
        int side = Math.max(groups, stations);
        return stationOfColumn((group + round) % side);
    }

    /** Columns of the square are stations but for breaks, one wherever a whole number of them is due. */
    private int stationOfColumn(int column) {
        int side = Math.max(groups, stations);
        int breaks = side - stations;
        int before = column * breaks / side;
        boolean isBreak = (column + 1) * breaks / side > before;
        return isBreak ? BREAK : column - before;
    }

    /** The group at a station in a round; {@link #BREAK} when nobody is there. */
    public int group(int station, int round) {
        for (int group = 0; group < groups; group++) {
            if (station(group, round) == station) {
                return group;
            }
        }
        return BREAK;
    }

    /** The stations at which a group never is. */
    public List<Integer> leftOut(int group) {
        List<Integer> left = new ArrayList<>();
        for (int station = 0; station < stations; station++) {
            boolean visited = false;
            for (int round = 0; round < rounds; round++) {
                visited |= station(group, round) == station;
            }
            if (!visited) {
                left.add(station);
            }
        }
        return left;
    }

    /** In how many rounds a group has a break. */
    public int breaks(int group) {
        int breaks = 0;
        for (int round = 0; round < rounds; round++) {
            breaks += station(group, round) == BREAK ? 1 : 0;
        }
        return breaks;
    }
}
