package prolalia.core.marking;

import java.util.List;

/**
 * By what something is judged that no rule can judge: criteria, each with levels.
 *
 * @param criteria 1 to {@value #MOST_CRITERIA}
 */
public record Rubric(String name, List<Criterion> criteria) {
    public static final int MOST_CRITERIA = 12;

    /** Each has a key of its own, 1 to 9. */
    public static final int MOST_LEVELS = 9;

    public static final int LONGEST_WORDS = 300;

    /** @param levels 1 to {@value #MOST_LEVELS}, from the lowest on */
    public record Criterion(String name, List<Level> levels) {
        public Criterion {
            levels = List.copyOf(levels);
        }

        public double most() {
            return levels.stream().mapToDouble(Level::points).max().orElse(0);
        }
    }

    /** @param words that the child meets @param points 0 or more */
    public record Level(String words, double points) {}

    public Rubric {
        criteria = List.copyOf(criteria);
    }

    /** The points of the best level of each criterion together. */
    public double most() {
        return criteria.stream().mapToDouble(Criterion::most).sum();
    }

    /**
     * What an answer is worth by the levels that were given.
     *
     * @param levels index of a level for each criterion, in their order
     * @param most what the question is worth
     * @return 0 to {@code most}, in hundredths
     * @throws IllegalArgumentException if there is no such level, or not one for each criterion
     */
    public double points(List<Integer> levels, double most) {
        if (levels.size() != criteria.size()) {
            throw new IllegalArgumentException(levels.size() + " levels for " + criteria.size() + " criteria");
        }
        double sum = 0;
        for (int i = 0; i < levels.size(); i++) {
            List<Level> own = criteria.get(i).levels();
            if (levels.get(i) < 0 || levels.get(i) >= own.size()) {
                throw new IllegalArgumentException("No level " + levels.get(i));
            }
            sum += own.get(levels.get(i)).points();
        }
        return most() == 0 ? 0 : Math.round(sum / most() * most * 100) / 100.0;
    }
}
