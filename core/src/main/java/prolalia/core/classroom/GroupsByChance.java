package prolalia.core.classroom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * Deals the children of a class into groups by chance: each child is in one, and the sizes differ by one at most.
 *
 * <pre>{@code
 * GroupsByChance.of(children, 4, new SecureRandom());
 * // of 27 children groups of 7, 7, 7 and 6
 * }</pre>
 *
 * <p>Every dealing is as likely as any other ({@link Collections#shuffle(List, Random)}). Stateless.
 */
public final class GroupsByChance {
    private GroupsByChance() {}

    /**
     * @param children each once
     * @param count of groups, at least 1; with fewer children than that, some are empty
     * @return as many groups as asked for, the larger ones first
     */
    public static List<List<String>> of(Collection<String> children, int count, Random chance) {
        List<String> dealt = new ArrayList<>(children);
        Collections.shuffle(dealt, chance);
        List<List<String>> groups = new ArrayList<>();
        for (int group = 0; group < count; group++) {
            groups.add(new ArrayList<>());
        }
        for (int i = 0; i < dealt.size(); i++) {
            groups.get(i % count).add(dealt.get(i));
        }
        return groups;
    }
}
