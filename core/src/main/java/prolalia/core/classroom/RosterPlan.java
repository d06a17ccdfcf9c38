package prolalia.core.classroom;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a roster would change in a class: who is new, is called otherwise, is gone, or can't be told for certain. Nothing is changed
 * by it; a teacher looks it over first.
 *
 * <p>Whoever has the same id in the roster as before is the same; without ids, whoever has the same name, written alike or not
 * ({@link Names#likeness}), when there is just one of them on both sides.
 */
public final class RosterPlan {
    private RosterPlan() {}

    /** Somebody in a roster. @param id of hers there; null: it has none */
    public record Row(String id, String name) {}

    /** Somebody in the class. @param rosterId null: she came from no roster */
    public record Known(String studentId, String rosterId, String name) {}

    public enum Kind {
        NEW,
        /** The same child is called otherwise. */
        RENAMED,
        SAME,
        /** In the class, and not in the roster. */
        GONE,
        /** There are several whom it could be, or it stands there more than once. */
        DOUBTFUL,
        /** What stands there isn't a name. */
        NO_NAME
    }

    /**
     * What becomes of one child.
     *
     * @param row null for one that is gone
     * @param known null for one that is new
     * @param candidates for a doubtful one, whom it could be
     */
    public record Entry(Kind kind, Row row, Known known, List<Known> candidates) {
        private static Entry of(Kind kind, Row row, Known known) {
            return new Entry(kind, row, known, List.of());
        }
    }

    /** One entry for each row, in order, then one for each that is gone. */
    public static List<Entry> of(List<Row> rows, List<Known> class_) {
        Map<String, Known> byId = new HashMap<>();
        Map<String, List<Known>> byName = new HashMap<>();
        for (Known known : class_) {
            if (known.rosterId() != null) {
                byId.put(known.rosterId(), known);
            }
            byName.computeIfAbsent(Names.likeness(known.name()), unseen -> new ArrayList<>())
                    .add(known);
        }
        Map<String, Integer> idTimes = new HashMap<>();
        Map<String, Integer> nameTimes = new HashMap<>();
        for (Row row : rows) {
            if (row.id() != null) {
                idTimes.merge(row.id(), 1, Integer::sum);
            }
            nameTimes.merge(Names.likeness(row.name()), 1, Integer::sum);
        }
        Set<String> met = new HashSet<>();
        Set<String> idsSeen = new HashSet<>();
        List<Entry> entries = new ArrayList<>();
        for (Row row : rows) {
            String likeness = Names.likeness(row.name());
            Known same = row.id() == null ? null : byId.get(row.id());
            if (!isName(row.name())) {
                entries.add(Entry.of(Kind.NO_NAME, row, null));
            } else if (row.id() != null && !idsSeen.add(row.id())) {
                entries.add(new Entry(Kind.DOUBTFUL, row, null, same == null ? List.of() : List.of(same)));
            } else if (same != null) {
                met.add(same.studentId());
                entries.add(Entry.of(same.name().equals(row.name()) ? Kind.SAME : Kind.RENAMED, row, same));
            } else {
                List<Known> alike = byName.getOrDefault(likeness, List.of()).stream()
                        .filter(known -> known.rosterId() == null || row.id() == null)
                        .filter(known -> !met.contains(known.studentId()))
                        .toList();
                if (alike.isEmpty()) {
                    boolean twice = row.id() == null && nameTimes.get(likeness) > 1;
                    entries.add(twice ? new Entry(Kind.DOUBTFUL, row, null, List.of()) : Entry.of(Kind.NEW, row, null));
                } else if (alike.size() == 1 && nameTimes.get(likeness) == 1) {
                    Known one = alike.get(0);
                    met.add(one.studentId());
                    entries.add(Entry.of(one.name().equals(row.name()) ? Kind.SAME : Kind.RENAMED, row, one));
                } else {
                    entries.add(new Entry(Kind.DOUBTFUL, row, null, alike));
                }
            }
        }
        Set<String> perhaps = new HashSet<>(met);
        entries.forEach(entry -> entry.candidates().forEach(known -> perhaps.add(known.studentId())));
        class_.stream()
                .filter(known -> !perhaps.contains(known.studentId()))
                .forEach(known -> entries.add(Entry.of(Kind.GONE, null, known)));
        return entries;
    }

    /** A name has a letter, and doesn't begin as a spreadsheet's formula does. */
    private static boolean isName(String name) {
        return name.codePoints().anyMatch(Character::isLetter) && !name.matches("^[=+@\\-|].*");
    }
}
