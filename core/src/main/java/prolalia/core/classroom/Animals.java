package prolalia.core.classroom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.random.RandomGenerator;

/** Shares animals out in a class, so that no two children have the same one in the same tint, and few the same one at all. */
public final class Animals {
    private Animals() {}

    /** A child's picture. */
    public record Picture(Animal animal, Animal.Tint tint) {}

    /**
     * One for another child.
     *
     * @param taken by the others
     * @return one that nobody has, as long as there is one; of an animal that few have
     */
    public static Picture another(Collection<Picture> taken, RandomGenerator random) {
        List<Picture> best = new ArrayList<>();
        long least = Long.MAX_VALUE;
        for (Animal animal : Animal.values()) {
            long same =
                    taken.stream().filter(picture -> picture.animal() == animal).count();
            for (Animal.Tint tint : Animal.Tint.values()) {
                Picture picture = new Picture(animal, tint);
                long cost = same + (taken.contains(picture) ? 1_000 : 0);
                if (cost < least) {
                    best.clear();
                    least = cost;
                }
                if (cost == least) {
                    best.add(picture);
                }
            }
        }
        return best.get(random.nextInt(best.size()));
    }
}
