package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import prolalia.core.page.Area;

/** Which line a sound on a slide says: the one that it stands nearest to. Each line is said by one sound at most. */
public final class SoundsOfLines {
    /** A line without a place is farther off than any that has one; places are shares of the page. */
    private static final double NOWHERE = 2;

    private SoundsOfLines() {}

    /**
     * @param sounds where they stand
     * @param lines where they stand, in reading order; empty for one without a place
     * @return for each sound the line that it says, counted from 0; empty when all lines have one already
     */
    public static List<Optional<Integer>> nearest(List<Area> sounds, List<Optional<Area>> lines) {
        List<Integer> free = new ArrayList<>();
        for (int line = 0; line < lines.size(); line++) {
            free.add(line);
        }
        List<Optional<Integer>> said = new ArrayList<>();
        for (Area sound : sounds) {
            Optional<Integer> nearest =
                    free.stream().min(Comparator.comparingDouble(line -> distance(sound, lines.get(line))));
            nearest.ifPresent(free::remove);
            said.add(nearest);
        }
        return said;
    }

    private static double distance(Area sound, Optional<Area> line) {
        return line.map(area -> Math.hypot(sound.middleX() - area.middleX(), sound.middleY() - area.middleY()))
                .orElse(NOWHERE);
    }
}
