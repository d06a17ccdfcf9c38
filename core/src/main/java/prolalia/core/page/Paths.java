package prolalia.core.page;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;

/**
 * The ways through a lesson, and what is wrong with them. Where a page has a right or a wrong way, or one instead of it, its
 * arrow to the next page is not there: the child chooses.
 *
 * @param pages how many there are; the first is where students begin, the last is the end
 * @param ways all of them, arrows too
 */
public record Paths(int pages, List<Way> ways) {
    /** What a way is for. */
    public enum Kind {
        /** The arrow to the next page. */
        NEXT,
        PLAIN,
        RIGHT,
        WRONG
    }

    /**
     * From a page to a page, both counted from 0.
     *
     * @param unseen whether nothing on the page says that there is a way
     * @param noArrow whether it stands instead of the arrow to the next page
     */
    public record Way(int from, int to, Kind kind, boolean unseen, boolean noArrow) {
        public Way(int from, int to, Kind kind) {
            this(from, to, kind, false, false);
        }

        private boolean takesArrow() {
            return noArrow || kind == Kind.RIGHT || kind == Kind.WRONG;
        }
    }

    /**
     * Something that a teacher should look at.
     *
     * @param page where, counted from 0
     * @param to where the way leads that is meant; -1 when it is about the page
     */
    public record Finding(Problem problem, int page, int to) {}

    public enum Problem implements CatalogueEntry {
        /** No way leads to the page. */
        NOT_REACHED,
        /** No way leads on from the page, and it isn't the last. */
        NO_WAY_OUT,
        /** Nothing that a child sees leads on from the page: neither an arrow nor an area with an edge or words. */
        ONLY_UNSEEN,
        /** From where a wrong way leads, there is no way to the end. */
        WRONG_WAY_ENDS,
        /** A wrong way leads here and a way back, but so does an arrow on: past what was to be done again. */
        ARROW_PAST_BACK,
        /** Several ways lead on, and an arrow past all of them. */
        ARROW_PAST_CHOICE,
        /** The arrow leads to a page that is there for a wrong way alone. */
        ARROW_INTO_DETOUR,
        /** There is no way from the first page to the last. */
        END_NOT_REACHED;

        @Override
        public String words() {
            return "paths.finding";
        }

        @Override
        public Severity severity() {
            return Severity.WARNING;
        }
    }

    public Paths {
        ways = List.copyOf(ways);
    }

    /** Where a way back leads: to each page that has a way here. */
    public static final int BACK = -1;

    /** @param placed ways that the teacher placed, some to {@link #BACK}; the arrows are added where they are */
    public static Paths of(int pages, List<Way> placed) {
        List<Way> jumps = new ArrayList<>(placed);
        jumps.removeIf(way -> way.to() == BACK);
        List<Way> ways = new ArrayList<>();
        for (int page = 0; page < pages; page++) {
            if (page + 1 < pages && hasArrow(page, placed)) {
                ways.add(new Way(page, page + 1, Kind.NEXT));
            }
        }
        ways.addAll(jumps);
        List<Way> there = List.copyOf(ways);
        for (Way back : placed) {
            if (back.to() == BACK) {
                there.stream()
                        .filter(way -> way.to() == back.from() && way.from() != back.from())
                        .map(way -> new Way(back.from(), way.from(), back.kind(), back.unseen(), back.noArrow()))
                        .filter(way -> !ways.contains(way))
                        .forEach(ways::add);
            }
        }
        return new Paths(pages, ways);
    }

    /** Whether a page has its arrow to the next one. */
    public static boolean hasArrow(int page, List<Way> jumps) {
        return jumps.stream().noneMatch(jump -> jump.from() == page && jump.takesArrow());
    }

    /** What is wrong, in the order of the pages; empty when every page leads to the end. */
    public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        if (pages == 0) {
            return findings;
        }
        Set<Integer> reached = from(0);
        Set<Integer> ending = new HashSet<>();
        for (int page = 0; page < pages; page++) {
            if (from(page).contains(pages - 1)) {
                ending.add(page);
            }
        }
        for (int page = 0; page < pages; page++) {
            int here = page;
            if (!reached.contains(page)) {
                findings.add(new Finding(Problem.NOT_REACHED, page, -1));
            }
            List<Way> on = ways.stream()
                    .filter(way -> way.from() == here && way.to() != here)
                    .toList();
            if (page < pages - 1 && on.isEmpty()) {
                findings.add(new Finding(Problem.NO_WAY_OUT, page, -1));
            } else if (page < pages - 1 && on.stream().allMatch(Way::unseen)) {
                findings.add(new Finding(Problem.ONLY_UNSEEN, page, -1));
            }
            ways.stream()
                    .filter(way -> way.from() == here && way.kind() == Kind.WRONG && !ending.contains(way.to()))
                    .forEach(way -> findings.add(new Finding(Problem.WRONG_WAY_ENDS, here, way.to())));
            if (on.stream().anyMatch(way -> way.kind() == Kind.NEXT)) {
                findings.addAll(ofArrow(here, on));
            }
        }
        if (!reached.contains(pages - 1)) {
            findings.add(new Finding(Problem.END_NOT_REACHED, pages - 1, -1));
        }
        return findings;
    }

    /** What an arrow jumps over. */
    private List<Finding> ofArrow(int page, List<Way> on) {
        List<Finding> findings = new ArrayList<>();
        on.stream()
                .filter(way -> way.kind() == Kind.PLAIN && isWrongWay(way.to(), page))
                .findFirst()
                .ifPresent(back -> findings.add(new Finding(Problem.ARROW_PAST_BACK, page, back.to())));
        long chosen = on.stream()
                .filter(way -> way.kind() == Kind.PLAIN && way.to() > page)
                .map(Way::to)
                .distinct()
                .count();
        if (chosen > 1) {
            findings.add(new Finding(Problem.ARROW_PAST_CHOICE, page, page + 1));
        }
        boolean isDetour = ways.stream()
                .anyMatch(back -> back.from() == page + 1 && back.to() <= page && isWrongWay(back.to(), page + 1));
        if (isDetour) {
            findings.add(new Finding(Problem.ARROW_INTO_DETOUR, page, page + 1));
        }
        return findings;
    }

    private boolean isWrongWay(int from, int to) {
        return ways.stream().anyMatch(way -> way.from() == from && way.to() == to && way.kind() == Kind.WRONG);
    }

    /** The pages to which there is a way from a page, itself too. */
    private Set<Integer> from(int page) {
        Set<Integer> seen = new HashSet<>(Set.of(page));
        Deque<Integer> left = new ArrayDeque<>(seen);
        while (!left.isEmpty()) {
            int here = left.pop();
            for (Way way : ways) {
                if (way.from() == here && seen.add(way.to())) {
                    left.push(way.to());
                }
            }
        }
        return seen;
    }
}
