package prolalia.core.classroom;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** Names as teachers type and paste them. */
public final class Names {
    /** A name may be so long, in UTF-16 units. */
    public static final int LONGEST = 200;

    private Names() {}

    /** As it is kept: composed (Unicode NFC), one space between its parts, nothing that isn't seen, and no more than it may have. */
    public static String tidy(String name) {
        String tidy = Normalizer.normalize(name, Normalizer.Form.NFC)
                .replaceAll("[\\p{Cntrl}\\u2028\\u2029\\u200e\\u200f\\u202a-\\u202e\\u2066-\\u2069\\ufeff]", " ")
                .strip()
                .replaceAll("[\\s\\u00a0]+", " ");
        return shortened(tidy);
    }

    private static String shortened(String name) {
        if (name.length() <= LONGEST) {
            return name;
        }
        // No half of a pair is left over.
        int end = Character.isHighSurrogate(name.charAt(LONGEST - 1)) ? LONGEST - 1 : LONGEST;
        return name.substring(0, end).strip();
    }

    /** The names of a list, one a line; numbers and bullets before them aren't part of them. */
    public static List<String> list(String pasted) {
        return Arrays.stream(pasted.split("\\R"))
                .map(line -> line.replaceFirst("^\\s*(?:\\d{1,3}[.)]\\s|[-*\\u2022]\\s)", ""))
                .map(Names::tidy)
                .filter(name -> !name.isEmpty())
                .toList();
    }

    /** What two names have in common that a teacher would take for the same: neither case nor accents, nor a comma's turn. */
    public static String likeness(String name) {
        String turned = name.matches("[^,]+,[^,]+") ? name.replaceFirst("\\s*([^,]+?)\\s*,\\s*(.+)", "$2 $1") : name;
        return Normalizer.normalize(turned, Normalizer.Form.NFKD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replace("ß", "ss")
                .replace("ø", "o")
                .replace("ł", "l")
                .replace("æ", "ae")
                .replaceAll("[^\\p{L}\\p{N}]+", " ")
                .strip();
    }
}
