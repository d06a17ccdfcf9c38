package prolalia.formats.card;

import java.util.Enumeration;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.KeyPicture;

/** How the pictures of children and of their keys are drawn: as SVG paths of strokes, on a square of {@link #SIDE}. */
public final class CardPictures {
    public static final int SIDE = 24;

    private static final ResourceBundle DRAWN = ResourceBundle.getBundle("prolalia.formats.card.pictures");

    private CardPictures() {}

    public static String of(Animal animal) {
        return DRAWN.getString("animal." + animal);
    }

    public static String of(KeyPicture picture) {
        return DRAWN.getString("thing." + picture);
    }

    /** All, by "animal." or "thing." and their names. */
    public static Map<String, String> all() {
        Map<String, String> all = new TreeMap<>();
        Enumeration<String> keys = DRAWN.getKeys();
        while (keys.hasMoreElements()) {
            String key = keys.nextElement();
            all.put(key, DRAWN.getString(key));
        }
        return all;
    }
}
