package prolalia.core.classroom;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prolalia.core.station.StationMark;

/** Which drawing stands for what has no picture of its own, so that who can't read tells one from another. */
public final class Signs {
    private Signs() {}

    /**
     * @param ids of what has no picture, the oldest first: what is older keeps its drawing when something comes after it
     * @return for each its drawing: another for each as long as there are enough of them ({@link StationMark})
     */
    public static Map<String, StationMark> of(List<String> ids) {
        Map<String, StationMark> signs = new HashMap<>();
        Set<Integer> taken = new HashSet<>();
        for (String id : ids) {
            int sign = Math.floorMod(id.hashCode(), StationMark.COUNT);
            while (taken.contains(sign)) {
                sign = (sign + 1) % StationMark.COUNT;
            }
            taken.add(sign);
            if (taken.size() == StationMark.COUNT) {
                taken.clear();
            }
            signs.put(id, new StationMark(sign + 1));
        }
        return signs;
    }
}
