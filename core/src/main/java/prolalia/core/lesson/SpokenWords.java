package prolalia.core.lesson;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * The words of a line as they are said: case, punctuation, spacing and icons make no difference to the ear.
 *
 * <p>Letters, marks and digits of every script count (Unicode Standard, general categories L, M and N); so do the signs
 * that are said, such as % and +.
 */
public final class SpokenWords {
    private static final Pattern UNSAID = Pattern.compile("[^\\p{L}\\p{M}\\p{N}%+=<>€$£°&]+");

    /** An apostrophe joins: "don't" is one word, and so is "don’t". */
    private static final Pattern JOINING = Pattern.compile("(?<=\\p{L})['’ʼ](?=\\p{L})");

    /** Variation selectors and the keycap sign belong to icons although they are marks. */
    private static final Pattern ICON_MARKS = Pattern.compile("[\\uFE00-\\uFE0F\\u20E3\\u200D]");

    private SpokenWords() {}

    /** The words in order, in lower case; empty when nothing in the text can be said. */
    public static List<String> of(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
        plain = ICON_MARKS.matcher(plain).replaceAll("");
        plain = JOINING.matcher(plain).replaceAll("");
        return Arrays.stream(UNSAID.split(plain))
                .filter(word -> !word.isEmpty())
                .toList();
    }

    /** Whether two texts sound the same. */
    public static boolean areTheSame(String one, String other) {
        return of(one).equals(of(other));
    }
}
