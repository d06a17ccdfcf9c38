package prolalia.app.platform;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is worked on next: those who wait take turns, so that one who gives twenty things keeps nobody waiting for more than the
 * one that is being worked on. Of one owner one thing is worked on at a time as long as others wait.
 */
final class FairQueue {
    /** @param last whether the server died within it: it comes after all others */
    record Waiting(String id, String owner, boolean last) {}

    private final Map<String, Waiting> waiting = new LinkedHashMap<>();
    private final Map<String, String> running = new LinkedHashMap<>();
    private final Map<String, Long> served = new HashMap<>();
    private long turns;

    /** Once, however often it is asked for. */
    synchronized void join(Waiting thing) {
        waiting.putIfAbsent(thing.id(), thing);
    }

    /** Waits no more. */
    synchronized void leave(String id) {
        waiting.remove(id);
    }

    /** Begins the next of those that wait, oldest first; nothing when all are being worked on. */
    synchronized Optional<Waiting> begin() {
        Set<String> busy = new HashSet<>(running.values());
        List<Waiting> order = order();
        Optional<Waiting> next = order.stream()
                .filter(each -> !busy.contains(each.owner()))
                .findFirst()
                .or(() -> order.stream().findFirst());
        next.ifPresent(each -> {
            waiting.remove(each.id());
            running.put(each.id(), each.owner());
            served.put(each.owner(), ++turns);
        });
        return next;
    }

    synchronized boolean isAnyWaiting() {
        return !waiting.isEmpty();
    }

    synchronized void end(String id) {
        running.remove(id);
    }

    /** How many things come before one, those included that are being worked on; 0 when it is being worked on itself. */
    synchronized int before(String id) {
        List<String> order = order().stream().map(Waiting::id).toList();
        return order.contains(id) ? running.size() + order.indexOf(id) : 0;
    }

    /** Turn by turn: whoever's turn was longest ago first. What is asked for again while it is worked on waits for that. */
    private List<Waiting> order() {
        List<Waiting> left = new ArrayList<>(waiting.values());
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
            turn.put(first.owner(), ++next);
        }
        return order;
    }

    private static long turnOf(Waiting thing, Map<String, Long> turn) {
        return turn.getOrDefault(thing.owner(), 0L);
    }
}
