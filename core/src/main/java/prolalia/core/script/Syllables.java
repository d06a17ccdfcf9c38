package prolalia.core.script;

import java.lang.Character.UnicodeScript;
import java.util.Locale;
import prolalia.core.lesson.SpokenWords;

/**
 * About how many syllables words have, by the script that they are written in.
 *
 * <p>Alphabets: groups of vowels, less a silent e. Chinese, Japanese and Korean: one a sign. Alphabets that leave vowels
 * out (Arabic, Hebrew): one for two letters. Scripts of India and their kin: one a consonant that isn't muted. A digit
 * counts as one.
 */
public final class Syllables {
    private static final String VOWELS = "aeiouyàáâãäåæèéêëìíîïòóôõöøùúûüýÿœāēīōūąęįųěůőűаеёиоуыэюяєіїαεηιουωάέήίόύώ";

    private Syllables() {}

    /** 0 when there is nothing to say. */
    public static int of(String text) {
        int count = 0;
        for (String word : SpokenWords.of(text)) {
            count += ofWord(word.toLowerCase(Locale.ROOT));
        }
        return count;
    }

    private static int ofWord(String word) {
        UnicodeScript script = UnicodeScript.of(word.codePointAt(0));
        return switch (script) {
            case HAN, HIRAGANA, KATAKANA, HANGUL -> word.codePointCount(0, word.length());
            case ARABIC, HEBREW, SYRIAC -> Math.max(1, (letters(word) + 1) / 2);
            case DEVANAGARI,
                    BENGALI,
                    TAMIL,
                    TELUGU,
                    GUJARATI,
                    GURMUKHI,
                    KANNADA,
                    MALAYALAM,
                    THAI,
                    LAO,
                    KHMER,
                    MYANMAR -> Math.max(1, letters(word));
            default -> ofAlphabet(word);
        };
    }

    /** Letters, without the marks on them. */
    private static int letters(String word) {
        return (int) word.codePoints().filter(Character::isLetter).count();
    }

    private static int ofAlphabet(String word) {
        int groups = 0;
        int digits = 0;
        boolean inVowels = false;
        for (int i = 0; i < word.length(); i++) {
            char c = word.charAt(i);
            digits += Character.isDigit(c) ? 1 : 0;
            boolean vowel = VOWELS.indexOf(c) >= 0;
            if (vowel && !inVowels) {
                groups++;
            }
            inVowels = vowel;
        }
        boolean silentE =
                word.endsWith("e") && !word.endsWith("le") || word.endsWith("ed") && !word.matches(".*[td]ed");
        if (groups > 1 && silentE) {
            groups--;
        }
        return Math.max(1, groups + digits);
    }
}
