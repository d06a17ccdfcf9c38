package prolalia.app.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import org.springframework.stereotype.Component;
import prolalia.app.platform.Ids;

/**
 * Lets only the person who started the server make the first account: the word is asked for that the terminal shows.
 */
@Component
public class FirstAccountGuard {
    private static final int WORD_LENGTH = 8;

    private final String word = Ids.newToken()
            .replaceAll("[^A-Za-z0-9]", "x")
            .substring(0, WORD_LENGTH)
            .toLowerCase(java.util.Locale.ROOT);

    /** Shown in the terminal alone. */
    public String word() {
        return word;
    }

    boolean knows(String said) {
        return MessageDigest.isEqual(
                word.getBytes(StandardCharsets.UTF_8),
                said.strip().toLowerCase(java.util.Locale.ROOT).getBytes(StandardCharsets.UTF_8));
    }
}
