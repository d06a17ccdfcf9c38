package prolalia.core.lesson;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Names for files that say what is in them, and that every file system takes: without the signs that NTFS, APFS and FAT
 * forbid, without a leading or trailing dot or space, without the names that Windows keeps for devices, and not too long.
 */
public final class SpeakingName {
    /** In UTF-16 units: with a folder and an ending it stays under the 255 of most file systems, in UTF-8 too. */
    private static final int LONGEST = 60;

    private static final Pattern FORBIDDEN = Pattern.compile("[\\\\/:*?\"<>|\\p{Cc}\\p{Cf}\\p{Cs}]+");
    private static final Pattern ENDS = Pattern.compile("^[.\\s]+|[.\\s]+$");
    private static final Set<String> DEVICES = Set.of("con", "prn", "aux", "nul", "com1", "com2", "lpt1", "lpt2");

    private SpeakingName() {}

    /** A part of a file's name out of any text; "-" when nothing of it can be in a name. */
    public static String of(String text) {
        String plain = FORBIDDEN
                .matcher(Normalizer.normalize(text, Normalizer.Form.NFC))
                .replaceAll(" ")
                .replaceAll("\\s+", " ");
        String named = ENDS.matcher(shortened(plain.strip())).replaceAll("");
        return named.isEmpty() || DEVICES.contains(named.toLowerCase(Locale.ROOT)) ? named + "-" : named;
    }

    /** "p2-03 the root": the page, the line's number on it, and what it says. */
    public static String ofLine(int page, int number, String words) {
        return String.format(Locale.ROOT, "p%d-%02d %s", page, number, of(words));
    }

    /** At the end of a word where there is one. */
    private static String shortened(String text) {
        if (text.length() <= LONGEST) {
            return text;
        }
        int space = text.lastIndexOf(' ', LONGEST);
        int end = space > LONGEST / 2 ? space : LONGEST;
        return text.substring(0, Character.isHighSurrogate(text.charAt(end - 1)) ? end - 1 : end);
    }
}
