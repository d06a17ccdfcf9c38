package prolalia.app.platform;

import java.security.SecureRandom;
import java.util.Base64;
import java.util.UUID;

/** Names for things. */
public final class Ids {
    private static final SecureRandom RANDOM = new SecureRandom();

    /** 144 bits, in 24 characters that need no escaping in an address. */
    private static final int TOKEN_BYTES = 18;

    private Ids() {}

    public static String newId() {
        return UUID.randomUUID().toString();
    }

    /** A name that nobody can guess. */
    public static String newToken() {
        byte[] bytes = new byte[TOKEN_BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
