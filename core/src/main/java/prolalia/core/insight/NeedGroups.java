package prolalia.core.insight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Who needs the same: those who took the same wrong thing for the right one. Stateless. */
public final class NeedGroups {
    /** One alone is no group. */
    private static final int FEWEST = 2;

    private NeedGroups() {}

    /** A wrong answer. @param answer as it is counted */
    public record Wrong(String student, String question, String answer) {}

    /** @param students in the order in which they were given */
    public record Group(String question, String answer, List<String> students) {}

    /** The largest first; of two that are as large, in the order in which they were given. */
    public static List<Group> of(List<Wrong> wrong) {
        Map<String, Group> groups = new LinkedHashMap<>();
        for (Wrong each : wrong) {
            if (!each.answer().isBlank()) {
                Group group = groups.computeIfAbsent(
                        each.question() + "\n" + each.answer(),
                        unseen -> new Group(each.question(), each.answer(), new ArrayList<>()));
                if (!group.students().contains(each.student())) {
                    group.students().add(each.student());
                }
            }
        }
        return groups.values().stream()
                .filter(group -> group.students().size() >= FEWEST)
                .sorted(Comparator.comparing(group -> -group.students().size()))
                .toList();
    }
}
