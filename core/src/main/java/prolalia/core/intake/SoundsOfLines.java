package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.place.Area;

/**
 * Which line a sound on a slide says. What the file itself says of it comes first; otherwise the sound is of the line that it
 * stands by, if it stands by no other nearly as well: a guess that may be wrong is worse than a question. Each line is said by
 * one sound at most.
 */
public final class SoundsOfLines {
    /** The line that a sound is of is nearer than the next one by so much; found on our own slides and those of others. */
    private static final double NEARER = 0.75;

    /** Farther off than this, by the height of the page, a sound stands by nothing. */
    private static final double FAR = 0.25;

    /** Slides are wider than high; shares of both are compared by their lengths. */
    private static final double ASPECT = 16.0 / 9;

    private SoundsOfLines() {}

    /** @param area where it stands; empty when it stands nowhere */
    public record Written(String words, Optional<Area> area) {}

    /**
     * @param lines in reading order
     * @return for each sound the line that it says, counted from 0; empty where that isn't certain
     */
    public static List<OptionalInt> pair(List<FoundSound> sounds, List<Written> lines) {
        List<OptionalInt> said = new ArrayList<>();
        Set<Integer> taken = new HashSet<>();
        for (FoundSound sound : sounds) {
            OptionalInt same = sound.line() == null ? OptionalInt.empty() : sayingTheSame(sound, lines, taken);
            same.ifPresent(taken::add);
            said.add(same);
        }
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < sounds.size(); i++) {
            if (said.get(i).isEmpty() && sounds.get(i).line() == null) {
                open.add(i);
            }
        }
        // The surest first: what it takes is out of the question for the others.
        for (Optional<Near> next = surest(open, sounds, lines, taken); next.isPresent(); ) {
            said.set(next.get().sound(), OptionalInt.of(next.get().line()));
            taken.add(next.get().line());
            open.remove((Integer) next.get().sound());
            next = surest(open, sounds, lines, taken);
        }
        return said;
    }

    /** Of several that say the same, the nearest. */
    private static OptionalInt sayingTheSame(FoundSound sound, List<Written> lines, Set<Integer> taken) {
        OptionalInt best = OptionalInt.empty();
        for (int line = 0; line < lines.size(); line++) {
            boolean same = !taken.contains(line)
                    && SpokenWords.areTheSame(
                            lines.get(line).words(), sound.line().words());
            if (same
                    && (best.isEmpty()
                            || distance(sound, lines.get(line)) < distance(sound, lines.get(best.getAsInt())))) {
                best = OptionalInt.of(line);
            }
        }
        return best;
    }

    private record Near(int sound, int line, double distance) {}

    private static Optional<Near> surest(
            List<Integer> open, List<FoundSound> sounds, List<Written> lines, Set<Integer> taken) {
        return open.stream()
                .flatMap(sound -> certain(sound, sounds, open, lines, taken).stream())
                .min(Comparator.comparingDouble(Near::distance));
    }

    /** The line that a sound stands by, if no other line is nearly as near, and no other sound stands by that line as well. */
    private static Optional<Near> certain(
            int sound, List<FoundSound> sounds, List<Integer> open, List<Written> lines, Set<Integer> taken) {
        List<Near> near = new ArrayList<>();
        for (int line = 0; line < lines.size(); line++) {
            if (!taken.contains(line)) {
                near.add(new Near(sound, line, distance(sounds.get(sound), lines.get(line))));
            }
        }
        near.sort(Comparator.comparingDouble(Near::distance));
        if (near.isEmpty() || near.get(0).distance() > FAR) {
            return Optional.empty();
        }
        Near first = near.get(0);
        boolean stands =
                near.size() == 1 || first.distance() <= NEARER * near.get(1).distance();
        boolean alone = open.stream()
                .filter(other -> other != sound)
                .allMatch(other -> distance(sounds.get(other), lines.get(first.line())) > first.distance());
        return stands && alone ? Optional.of(first) : Optional.empty();
    }

    /** From the middle of a sound to the nearest edge of a line, by the height of the page; 0 within it. */
    private static double distance(FoundSound sound, Written line) {
        if (line.area().isEmpty()) {
            return Double.MAX_VALUE;
        }
        Area area = line.area().get();
        double x = sound.area().middleX();
        double y = sound.area().middleY();
        double dx = Math.max(0, Math.max(area.x() - x, x - area.x() - area.w()));
        double dy = Math.max(0, Math.max(area.y() - y, y - area.bottom()));
        return Math.hypot(dx * ASPECT, dy);
    }
}
