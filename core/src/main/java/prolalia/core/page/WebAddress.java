package prolalia.core.page;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Addresses of the web as people and files write them, made into what RFC 3986 lets stand in a document. */
public final class WebAddress {
    /** Longer ones are none that anybody wrote. */
    public static final int LONGEST = 2_000;

    /** Scheme, authority, and the rest (RFC 3986, appendix B). */
    private static final Pattern PARTS = Pattern.compile("(?is)(https?)://([^/?#\\s]+)([^\\s]*)");

    /** What may stand in a path, a query or a fragment as it is (RFC 3986, 3.3 to 3.5). */
    private static final String ALLOWED = "-._~!$&'()*+,;=:@/?";

    private static final Pattern ENCODED = Pattern.compile("%[0-9a-fA-F]{2}");

    /** A name or an address, and a port (RFC 3986, 3.2); nobody's name and password stand in a lesson. */
    private static final Pattern AUTHORITY =
            Pattern.compile("(?:[\\w.~-]|%[0-9a-fA-F]{2})+(?::\\d{1,5})?|\\[[0-9a-fA-F:.]+\\](?::\\d{1,5})?");

    /** The marks of a first byte, by how many follow it. */
    private static final int[] LEADS = {0, 0xc0, 0xe0, 0xf0};

    private WebAddress() {}

    /** The address with everything encoded that must be; empty when it is none of the web. */
    public static Optional<String> of(String written) {
        Matcher parts = PARTS.matcher(written == null ? "" : written.strip());
        if (!parts.matches() || written.length() > LONGEST) {
            return Optional.empty();
        }
        String authority = encodedName(parts.group(2));
        return AUTHORITY.matcher(authority).matches()
                ? Optional.of(parts.group(1).toLowerCase(Locale.ROOT) + "://" + authority + encoded(parts.group(3)))
                : Optional.empty();
    }

    /** Letters beyond ASCII stand in a name as their UTF-8 (RFC 3986, 3.2.2). */
    private static String encodedName(String authority) {
        StringBuilder encoded = new StringBuilder();
        authority.codePoints().forEach(letter -> {
            if (letter < 0x80) {
                encoded.appendCodePoint(letter);
            } else {
                encode(letter, encoded);
            }
        });
        return encoded.toString();
    }

    private static String encoded(String rest) {
        StringBuilder encoded = new StringBuilder();
        Matcher known = ENCODED.matcher(rest);
        boolean inFragment = false;
        for (int at = 0; at < rest.length(); ) {
            int letter = rest.codePointAt(at);
            boolean fragment = letter == '#' && !inFragment;
            boolean plain = letter < 0x80 && (Character.isLetterOrDigit(letter) || ALLOWED.indexOf(letter) >= 0);
            if (fragment
                    || plain
                    || letter == '%' && known.region(at, rest.length()).lookingAt()) {
                inFragment |= fragment;
                encoded.appendCodePoint(letter);
            } else {
                encode(letter, encoded);
            }
            at += Character.charCount(letter);
        }
        return encoded.toString();
    }

    /** UTF-8 (RFC 3629, 3), each byte by itself: the character sets of java.nio aren't for core. */
    private static void encode(int letter, StringBuilder to) {
        if (letter < 0x80) {
            percent(letter, to);
            return;
        }
        int following = letter < 0x800 ? 1 : letter < 0x10000 ? 2 : 3;
        percent(letter >> 6 * following | LEADS[following], to);
        for (int byteAt = following - 1; byteAt >= 0; byteAt--) {
            percent(letter >> 6 * byteAt & 0x3f | 0x80, to);
        }
    }

    private static void percent(int value, StringBuilder to) {
        to.append(String.format("%%%02X", value));
    }
}
