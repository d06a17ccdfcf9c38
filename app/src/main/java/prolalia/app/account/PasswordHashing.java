package prolalia.app.account;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.security.authentication.AuthenticationServiceException;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import prolalia.app.platform.HouseProperties;

/** Argon2 (RFC 9106), two at a time: each takes 16 MB and a tenth of a second of a processor. */
@Component
class PasswordHashing implements PasswordEncoder {
    private static final int AT_A_TIME = 2;
    private static final long PATIENCE_MS = 4_000;

    /** In bytes, as Spring Security has them by default; so are the passes over the memory. */
    private static final int SALT = 16;

    private static final int HASH = 32;
    private static final int PASSES = 2;

    private final PasswordEncoder argon2;
    private final Semaphore gate = new Semaphore(AT_A_TIME, true);

    PasswordHashing(HouseProperties properties) {
        argon2 = new Argon2PasswordEncoder(SALT, HASH, 1, properties.passwordMemoryKb(), PASSES);
    }

    /** Too many passwords come in at once; this one wasn't looked at. */
    static final class BusyException extends AuthenticationServiceException {
        private static final long serialVersionUID = 1;

        BusyException() {
            super("Too many passwords at once");
        }
    }

    @Override
    public String encode(CharSequence password) {
        return through(() -> argon2.encode(password));
    }

    @Override
    public boolean matches(CharSequence password, String hash) {
        return through(() -> argon2.matches(password, hash));
    }

    private <T> T through(java.util.function.Supplier<T> work) {
        try {
            if (!gate.tryAcquire(PATIENCE_MS, TimeUnit.MILLISECONDS)) {
                throw new BusyException();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new BusyException();
        }
        try {
            return work.get();
        } finally {
            gate.release();
        }
    }
}
