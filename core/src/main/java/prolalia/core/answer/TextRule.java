package prolalia.core.answer;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * In what typed words may differ and be the same all the same. Compatibility forms are always the same (Unicode Standard Annex
 * 15, NFKC), and so are typographic and plain quotation marks.
 *
 * @param caseMatters whether "Sea" and "sea" differ
 * @param accentsMatter whether "schön" and "schon" differ
 * @param spacingMatters whether "sea gull" and "seagull" differ; how wide a space is never does
 * @param punctuationMatters whether "don't" and "dont" differ
 */
public record TextRule(boolean caseMatters, boolean accentsMatter, boolean spacingMatters, boolean punctuationMatters) {
    /** For children who learn to write: what they hear counts, and how it is spelled. */
    public static final TextRule USUAL = new TextRule(false, true, true, false);

    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern PUNCTUATION = Pattern.compile("[\\p{P}\\p{Sk}]+");
    private static final Pattern INVISIBLE = Pattern.compile("[\\p{Cf}\\p{Cc}&&[^\\n\\t]]+");
    private static final Pattern SPACES = Pattern.compile("[\\s\\p{Z}]+");

    /** The text without that in which it may differ. */
    public String plain(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFKC)
                .replaceAll("[\u2018\u2019\u02bc\u00b4`]", "'")
                .replaceAll("[\u201c\u201d\u201e\u00ab\u00bb]", "\"");
        plain = INVISIBLE.matcher(plain).replaceAll("");
        if (!punctuationMatters) {
            plain = PUNCTUATION.matcher(plain).replaceAll(spacingMatters ? "" : " ");
        }
        if (!caseMatters) {
            plain = plain.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT);
        }
        if (!accentsMatter) {
            plain = MARKS.matcher(Normalizer.normalize(plain, Normalizer.Form.NFD))
                    .replaceAll("");
        }
        return SPACES.matcher(plain).replaceAll(spacingMatters ? " " : "").strip();
    }

    public boolean areSame(String one, String other) {
        return plain(one).equals(plain(other));
    }
}
