package prolalia.app.limits;

import java.util.HashMap;
import java.util.Map;

/**
 * How many bodies of one person, and of one of her devices, are read at a time: each holds a thread for as long as it comes in. A
 * page sends a few at once; whoever sends more waits for her own.
 */
final class PersonBodySlots {
    private static final int OF_A_DEVICE = 16;
    private static final int OF_A_PERSON = 48;

    private final Map<String, Integer> reading = new HashMap<>();

    /** @return whether there was room for one more; then it must leave */
    synchronized boolean enter(String person, String device) {
        if (reading.getOrDefault(person, 0) >= OF_A_PERSON || reading.getOrDefault(device, 0) >= OF_A_DEVICE) {
            return false;
        }
        reading.merge(person, 1, Integer::sum);
        reading.merge(device, 1, Integer::sum);
        return true;
    }

    synchronized void leave(String person, String device) {
        for (String each : new String[] {person, device}) {
            reading.computeIfPresent(each, (key, own) -> own == 1 ? null : own - 1);
        }
    }
}
