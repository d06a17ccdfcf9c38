package prolalia.core.lesson;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The words of a line as they are said: case, punctuation, spacing and icons make no difference to the ear.
 *
 * <p>Letters, marks and digits of every script count (Unicode Standard, general categories L, M and N); so do the signs
 * that are said, such as % and +.
 */
public final class SpokenWords {
    /** Signs that are said. */
    private static final String SAID_SIGNS = "%+=<>€$£°&";

    /** An apostrophe between letters joins: "don't" is one word, and so is "don’t". */
    private static final String APOSTROPHES = "'’ʼ";

    private static final int SAID_TYPES = 1 << Character.UPPERCASE_LETTER
            | 1 << Character.LOWERCASE_LETTER
            | 1 << Character.TITLECASE_LETTER
            | 1 << Character.MODIFIER_LETTER
            | 1 << Character.OTHER_LETTER
            | 1 << Character.NON_SPACING_MARK
            | 1 << Character.ENCLOSING_MARK
            | 1 << Character.COMBINING_SPACING_MARK
            | 1 << Character.DECIMAL_DIGIT_NUMBER
            | 1 << Character.LETTER_NUMBER
            | 1 << Character.OTHER_NUMBER;

    private SpokenWords() {}

    /** The words in order, in lower case; empty when nothing in the text can be said. */
    public static List<String> of(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
        List<String> words = new ArrayList<>();
        StringBuilder word = new StringBuilder();
        int next;
        for (int i = 0; i < plain.length(); i = next) {
            int c = plain.codePointAt(i);
            next = i + Character.charCount(c);
            if (isIconMark(c) || joins(c, word, plain, next)) {
                continue;
            }
            if ((SAID_TYPES >> Character.getType(c) & 1) == 1 || SAID_SIGNS.indexOf(c) >= 0) {
                word.appendCodePoint(c);
            } else if (word.length() > 0) {
                words.add(word.toString());
                word.setLength(0);
            }
        }
        if (word.length() > 0) {
            words.add(word.toString());
        }
        return words;
    }

    private static boolean joins(int c, StringBuilder before, String plain, int next) {
        return APOSTROPHES.indexOf(c) >= 0
                && before.length() > 0
                && Character.isLetter(before.codePointBefore(before.length()))
                && next < plain.length()
                && Character.isLetter(plain.codePointAt(next));
    }

    /** Variation selectors, the keycap sign and the joiner belong to icons although they are marks. */
    private static boolean isIconMark(int c) {
        return c >= 0xFE00 && c <= 0xFE0F || c == 0x20E3 || c == 0x200D;
    }

    /** Whether two texts sound the same. */
    public static boolean areTheSame(String one, String other) {
        return one.equals(other) || of(one).equals(of(other));
    }
}
