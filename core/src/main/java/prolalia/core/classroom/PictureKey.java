package prolalia.core.classroom;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;

/**
 * A student's password: three different pictures of 24, in order; 12,144 there are. So few can be tried through, which is why tries
 * are counted ({@link Guesses}).
 *
 * @param pictures in the order in which they are pressed
 */
public record PictureKey(List<KeyPicture> pictures) {
    public static final int LENGTH = 3;

    private static final String BETWEEN = " ";

    /** @throws IllegalArgumentException if they aren't three different ones */
    public PictureKey {
        pictures = List.copyOf(pictures);
        if (pictures.size() != LENGTH || pictures.stream().distinct().count() != LENGTH) {
            throw new IllegalArgumentException("Not " + LENGTH + " different pictures: " + pictures);
        }
    }

    /** @param random one that can't be foretold */
    public static PictureKey byChance(RandomGenerator random) {
        List<KeyPicture> left = new ArrayList<>(Arrays.asList(KeyPicture.values()));
        List<KeyPicture> chosen = new ArrayList<>();
        while (chosen.size() < LENGTH) {
            chosen.add(left.remove(random.nextInt(left.size())));
        }
        return new PictureKey(chosen);
    }

    /** As {@link #written} writes it, and children's browsers send it; empty when that is no key. */
    public static Optional<PictureKey> read(String written) {
        try {
            return Optional.of(new PictureKey(Arrays.stream(written.strip().split("\\s+"))
                    .map(KeyPicture::valueOf)
                    .toList()));
        } catch (IllegalArgumentException noKey) {
            return Optional.empty();
        }
    }

    /** The names of the pictures, separated by spaces. */
    public String written() {
        return pictures.stream().map(KeyPicture::name).collect(Collectors.joining(BETWEEN));
    }
}
