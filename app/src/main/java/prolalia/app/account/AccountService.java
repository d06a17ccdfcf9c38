package prolalia.app.account;

import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.house.Ids;

@Service
public class AccountService implements UserDetailsService {
    /** NIST SP 800-63B 3.1.1: length counts, rules about signs don't. */
    static final int SHORTEST_PASSWORD = 8;

    static final int LONGEST_TEXT = 200;

    private final TeacherStore teachers;
    private final PasswordEncoder passwords;
    private final SignInThrottle throttle;
    private final Clock clock;

    AccountService(TeacherStore teachers, PasswordEncoder passwords, SignInThrottle throttle, Clock clock) {
        this.teachers = teachers;
        this.passwords = passwords;
        this.throttle = throttle;
        this.clock = clock;
    }

    /** What is wrong with a new account; the words stand in the message bundle under {@code account.} and the name. */
    public enum Fault {
        NO_FULL_NAME,
        NO_SIGN_IN_NAME,
        SHORT_PASSWORD,
        TOO_LONG,
        TAKEN
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        String signInName = normal(name);
        return teachers.bySignInName(signInName, throttle.isPaused(signInName))
                .orElseThrow(() -> new UsernameNotFoundException("unknown"));
    }

    public Optional<SignedInTeacher> teacher(String signInName) {
        return teachers.bySignInName(normal(signInName), false);
    }

    public Optional<SignedInTeacher> teacherById(String id) {
        return teachers.byId(id);
    }

    public boolean needsFirstAccount() {
        return teachers.isEmpty();
    }

    /** Makes an account; answers what is wrong, or nothing when it is made. */
    @Transactional
    public Optional<Fault> add(String fullName, String signInName, String password) {
        Optional<Fault> fault = fault(fullName.strip(), normal(signInName), password);
        if (fault.isEmpty()) {
            teachers.add(Ids.newId(), normal(signInName), fullName.strip(), passwords.encode(password), clock.millis());
        }
        return fault;
    }

    private Optional<Fault> fault(String fullName, String signInName, String password) {
        if (fullName.isEmpty()) {
            return Optional.of(Fault.NO_FULL_NAME);
        }
        if (signInName.isEmpty()) {
            return Optional.of(Fault.NO_SIGN_IN_NAME);
        }
        if (password.length() < SHORTEST_PASSWORD) {
            return Optional.of(Fault.SHORT_PASSWORD);
        }
        if (fullName.length() > LONGEST_TEXT
                || signInName.length() > LONGEST_TEXT
                || password.length() > LONGEST_TEXT) {
            return Optional.of(Fault.TOO_LONG);
        }
        return teachers.bySignInName(signInName, false).map(taken -> Fault.TAKEN);
    }

    private static String normal(String signInName) {
        return signInName.strip().toLowerCase(Locale.ROOT);
    }
}
