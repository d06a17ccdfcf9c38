package prolalia.core.align;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.script.Syllables;

/**
 * About how long a word takes to say, from its letters: vowels longer than consonants, two vowels together or a vowel before a
 * silent e longest, two letters for one sound counted once. Little words may be said quickly or be stressed.
 *
 * @param ms at a usual pace
 * @param syllables at least 1
 * @param spread how far it may be off, as the standard deviation of the logarithm of its length
 */
record WordSounds(double ms, int syllables, double spread) {
    private static final double VOWEL_MS = 95;
    private static final double LONG_VOWEL_MS = 140;
    private static final double HISS_MS = 95;
    private static final double CONSONANT_MS = 68;

    /** Function words. */
    private static final Set<String> LITTLE = Set.of(
            "a", "an", "the", "of", "to", "in", "on", "at", "and", "or", "is", "it", "as", "that", "his", "her", "its",
            "for", "with", "your", "by", "be", "was", "are", "he", "she", "we", "you", "will", "can", "from");

    private static final double LITTLE_SHARE = 1.1;

    private static final double LEAST_MS = 60;

    /** In the logarithm of its length, a word varies by about this much; little words, which may be stressed, by more. */
    private static final double SPREAD = 0.45;

    private static final double LITTLE_SPREAD = 0.9;

    private static final Pattern SOUND = Pattern.compile(
            "(?<longer>igh|ee|ea|oo|oa|ai|ay|ow|ou|oy|oi|aw|au|ew|ar|er|ir|or|ur|[aeiou](?=[bcdfgklmnprstvz]e$))"
                    + "|(?<vowel>[aeiouyàâäåæèéêëîïôöøùûü])"
                    + "|(?<hiss>sh|ch|ss|s|f|ff|ph|th|z|tch)"
                    + "|(?<consonant>ck|ng|wh|wr|kn|[bdgklmnprt]{2}|\\p{L})");

    static WordSounds of(String word) {
        String plain = word.toLowerCase(Locale.ROOT);
        int syllables = Math.max(1, Syllables.of(word));
        boolean latin = plain.matches("\\P{L}*(?:\\p{IsLatin}|\\P{L})+");
        if (!latin || plain.matches(".*\\d.*")) {
            return new WordSounds(syllables * 210.0, syllables, SPREAD);
        }
        String spoken = syllables > 0 && plain.matches(".*[^aeiouy]e[^\\p{L}]*") && plain.length() > 3
                ? plain.replaceAll("e[^\\p{L}]*$", "")
                : plain;
        String sounds = plain.equals(spoken) ? plain : spoken + "e";
        double ms = 0;
        Matcher matcher = SOUND.matcher(sounds);
        while (matcher.find()) {
            if (matcher.end() == sounds.length() && !plain.equals(spoken)) {
                break;
            }
            ms += matcher.group("longer") != null
                    ? LONG_VOWEL_MS
                    : matcher.group("vowel") != null
                            ? VOWEL_MS
                            : matcher.group("hiss") != null ? HISS_MS : CONSONANT_MS;
        }
        String letters = plain.replaceAll("[^\\p{L}]", "");
        boolean little = LITTLE.contains(letters);
        return new WordSounds(
                Math.max(LEAST_MS, little ? ms * LITTLE_SHARE : ms), syllables, little ? LITTLE_SPREAD : SPREAD);
    }
}
