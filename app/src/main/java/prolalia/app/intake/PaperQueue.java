package prolalia.app.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Whose paper is read next: teachers take turns, so that one who brings in twenty papers keeps nobody waiting for more than the
 * one that is being read. Of one teacher one paper is read at a time as long as others wait.
 */
final class PaperQueue {
    /** @param last whether the server died while it was read: it comes after all others */
    record Waiting(String id, String teacherId, boolean last) {}

    private final Map<String, Long> served = new HashMap<>();
    private final Map<String, String> running = new LinkedHashMap<>();
    private long turns;

    /** Begins the next of those that wait, oldest first; nothing when all are being read. */
    synchronized Optional<Waiting> begin(List<Waiting> waiting) {
        Set<String> busy = new HashSet<>(running.values());
        List<Waiting> order = order(waiting);
        Optional<Waiting> next = order.stream()
                .filter(each -> !busy.contains(each.teacherId()))
                .findFirst()
                .or(() -> order.stream().findFirst());
        next.ifPresent(each -> {
            running.put(each.id(), each.teacherId());
            served.put(each.teacherId(), ++turns);
        });
        return next;
    }

    synchronized void end(String id) {
        running.remove(id);
    }

    /** How many papers come before one, those included that are being read; 0 when it is being read itself. */
    synchronized int before(List<Waiting> waiting, String id) {
        List<String> order = order(waiting).stream().map(Waiting::id).toList();
        return order.contains(id) ? running.size() + order.indexOf(id) : 0;
    }

    /** Turn by turn: whoever's turn was longest ago first. */
    private List<Waiting> order(List<Waiting> waiting) {
        List<Waiting> left = new ArrayList<>(waiting);
        left.removeIf(each -> running.containsKey(each.id()));
        Map<String, Long> turn = new HashMap<>(served);
        long next = turns;
        List<Waiting> order = new ArrayList<>();
        while (!left.isEmpty()) {
            Waiting first = left.get(0);
            for (Waiting each : left) {
                if (each.last() != first.last() ? first.last() : turnOf(each, turn) < turnOf(first, turn)) {
                    first = each;
                }
            }
            left.remove(first);
            order.add(first);
            turn.put(first.teacherId(), ++next);
        }
        return order;
    }

    private static long turnOf(Waiting paper, Map<String, Long> turn) {
        return turn.getOrDefault(paper.teacherId(), 0L);
    }
}
