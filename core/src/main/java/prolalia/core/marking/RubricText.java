package prolalia.core.marking;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.finding.RefusalReason;
import prolalia.core.marking.Rubric.Criterion;
import prolalia.core.marking.Rubric.Level;

/**
 * Rubrics as they are written: a criterion in a row of its own, and under it its levels, each with its points first; or as rows of
 * a table: criterion, words of the level, points. Stateless.
 */
public final class RubricText {
    private static final Pattern LEVEL = Pattern.compile("\\s*(\\d{1,3}(?:[.,]\\d{1,2})?)[\\s.):=–-]+(\\S.*)");
    private static final Pattern POINTS = Pattern.compile("\\d{1,3}(?:[.,]\\d{1,2})?");

    private RubricText() {}

    /** What is wrong with a rubric. */
    public enum Problem implements RefusalReason {
        /** There is no criterion in it. */
        EMPTY,
        /** A criterion has no level. */
        NO_LEVELS,
        /** A level stands before any criterion. */
        NO_CRITERION,
        TOO_MANY_CRITERIA,
        TOO_MANY_LEVELS,
        /** The points of a level are no number. */
        NO_POINTS,
        /** No level of any criterion is worth a point. */
        NO_WORTH;

        @Override
        public String words() {
            return "rubric.problem";
        }
    }

    /** @param row from 1; 0: the whole @param detail words of the row */
    public record Finding(Problem problem, int row, String detail) {}

    /** @param rubric null: it has faults */
    public record Reading(Rubric rubric, List<Finding> findings) {}

    /** @param rows of a table, each with its cells; a row of one cell is a row of text */
    public static Reading read(String name, List<List<String>> rows) {
        Map<String, List<Level>> criteria = new LinkedHashMap<>();
        List<Finding> findings = new ArrayList<>();
        String now = null;
        for (int i = 0; i < rows.size(); i++) {
            List<String> cells = rows.get(i).stream().map(String::strip).toList();
            String first = cells.isEmpty() ? "" : cells.get(0);
            if (cells.stream().allMatch(String::isEmpty) || isHead(cells)) {
                continue;
            }
            if (cells.size() >= 3) {
                now = first.isEmpty() ? now : cut(first);
                if (!POINTS.matcher(cells.get(2)).matches()) {
                    findings.add(new Finding(Problem.NO_POINTS, i + 1, String.join(" ", cells)));
                } else {
                    add(criteria, now, cells.get(1), cells.get(2), i + 1, findings);
                }
                continue;
            }
            Matcher level = LEVEL.matcher(first);
            if (level.matches()) {
                add(criteria, now, level.group(2), level.group(1), i + 1, findings);
            } else {
                now = cut(first);
                criteria.computeIfAbsent(now, unseen -> new ArrayList<>());
            }
        }
        check(criteria, findings);
        return findings.isEmpty()
                ? new Reading(
                        new Rubric(
                                cut(name),
                                criteria.entrySet().stream()
                                        .map(each -> new Criterion(each.getKey(), each.getValue()))
                                        .toList()),
                        findings)
                : new Reading(null, findings);
    }

    /** Rows of text as they are pasted; cells of a spreadsheet have tabs between them. */
    public static List<List<String>> rows(String text) {
        return text.lines().map(row -> List.of(row.split("\t", -1))).toList();
    }

    private static boolean isHead(List<String> cells) {
        return cells.size() >= 3 && cells.get(0).equalsIgnoreCase("criterion");
    }

    private static String cut(String words) {
        String held = words.strip();
        return held.substring(0, Math.min(Rubric.LONGEST_WORDS, held.length()));
    }

    private static void add(
            Map<String, List<Level>> criteria,
            String criterion,
            String words,
            String points,
            int row,
            List<Finding> findings) {
        if (criterion == null) {
            findings.add(new Finding(Problem.NO_CRITERION, row, words));
            return;
        }
        criteria.computeIfAbsent(criterion, unseen -> new ArrayList<>())
                .add(new Level(cut(words), Double.parseDouble(points.replace(',', '.'))));
    }

    private static void check(Map<String, List<Level>> criteria, List<Finding> findings) {
        if (criteria.isEmpty()) {
            findings.add(new Finding(Problem.EMPTY, 0, ""));
            return;
        }
        if (criteria.size() > Rubric.MOST_CRITERIA) {
            findings.add(new Finding(Problem.TOO_MANY_CRITERIA, 0, ""));
        }
        criteria.forEach((criterion, levels) -> {
            if (levels.isEmpty()) {
                findings.add(new Finding(Problem.NO_LEVELS, 0, criterion));
            } else if (levels.size() > Rubric.MOST_LEVELS) {
                findings.add(new Finding(Problem.TOO_MANY_LEVELS, 0, criterion));
            }
        });
        boolean worth = criteria.values().stream().flatMap(List::stream).anyMatch(level -> level.points() > 0);
        if (findings.isEmpty() && !worth) {
            findings.add(new Finding(Problem.NO_WORTH, 0, ""));
        }
    }

    /** A rubric as rows of a table, as {@link #read} takes them. */
    public static List<List<String>> table(Rubric rubric) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("criterion", "level", "points"));
        for (Criterion criterion : rubric.criteria()) {
            for (Level level : criterion.levels()) {
                double points = level.points();
                rows.add(List.of(
                        criterion.name(),
                        level.words(),
                        points == Math.rint(points) ? String.valueOf((long) points) : String.valueOf(points)));
            }
        }
        return rows;
    }
}
