package prolalia.core.page;

import java.net.IDN;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Addresses of the web as people and files write them, made into what RFC 3986 lets stand in a document. */
public final class WebAddress {
    private static final int LONGEST = 2_000;

    /** Scheme, authority, and the rest (RFC 3986, appendix B). */
    private static final Pattern PARTS = Pattern.compile("(?is)(https?)://([^/?#\\s]+)([^\\s]*)");

    /** What may stand in a path, a query or a fragment as it is (RFC 3986, 3.3 to 3.5). */
    private static final String ALLOWED = "-._~!$&'()*+,;=:@/?";

    private static final Pattern ENCODED = Pattern.compile("%[0-9a-fA-F]{2}");

    private WebAddress() {}

    /** The address with everything encoded that must be; empty when it is none of the web. */
    public static Optional<String> of(String written) {
        Matcher parts = PARTS.matcher(written == null ? "" : written.strip());
        if (!parts.matches() || written.length() > LONGEST) {
            return Optional.empty();
        }
        try {
            String authority = parts.group(2);
            boolean plain = authority.chars().allMatch(letter -> letter < 0x80);
            String address = parts.group(1).toLowerCase(java.util.Locale.ROOT) + "://"
                    + (plain ? authority : IDN.toASCII(authority)) + encoded(parts.group(3));
            return new URI(address).getHost() == null ? Optional.empty() : Optional.of(address);
        } catch (URISyntaxException | IllegalArgumentException senseless) {
            return Optional.empty();
        }
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
                for (byte each : Character.toString(letter).getBytes(StandardCharsets.UTF_8)) {
                    encoded.append('%').append(HexFormat.of().withUpperCase().toHexDigits(each));
                }
            }
            at += Character.charCount(letter);
        }
        return encoded.toString();
    }
}
