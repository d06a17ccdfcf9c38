package prolalia.app.account;

import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.Ids;

@Service
public class AccountService implements UserDetailsService {
    /** NIST SP 800-63B 3.1.1: length counts, rules about signs don't. */
    static final int SHORTEST_PASSWORD = 8;

    static final int LONGEST_TEXT = 200;

    private final TeacherStore teachers;
    private final PasswordEncoder passwords;
    private final TransactionTemplate transaction;
    private final Clock clock;

    AccountService(TeacherStore teachers, PasswordEncoder passwords, TransactionTemplate transaction, Clock clock) {
        this.teachers = teachers;
        this.passwords = passwords;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What is wrong with a new account; the words stand in the message bundle under {@code account.} and the name. */
    public enum Fault {
        NO_FULL_NAME,
        NO_SIGN_IN_NAME,
        SHORT_PASSWORD,
        TOO_LONG,
        TAKEN,
        /** Somebody else was quicker. */
        NOT_FIRST
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        return teachers.bySignInName(normal(name)).orElseThrow(() -> new UsernameNotFoundException("unknown"));
    }

    public Optional<SignedInTeacher> teacher(String signInName) {
        return teachers.bySignInName(normal(signInName));
    }

    public boolean needsFirstAccount() {
        return teachers.isEmpty();
    }

    /** Makes an account; answers what is wrong, or nothing when it is made. */
    public Optional<Fault> add(String fullName, String signInName, String password) {
        return add(fullName, signInName, password, Role.TEACHER);
    }

    public Optional<Fault> add(String fullName, String signInName, String password, Role role) {
        return add(fullName, signInName, password, role, false);
    }

    /** Makes the first account, an admin's, which there is once, however many people ask for it at the same time. */
    /** Whoever is there knows her way. */
    public void leadNobody() {
        transaction.executeWithoutResult(status -> teachers.leadNobody());
    }

    Optional<Fault> addFirst(String fullName, String signInName, String password) {
        return add(fullName, signInName, password, Role.ADMIN, true);
    }

    private Optional<Fault> add(String fullName, String signInName, String password, Role role, boolean first) {
        Optional<Fault> fault = fault(fullName.strip(), normal(signInName), password);
        if (fault.isPresent()) {
            return fault;
        }
        String hash = passwords.encode(password);
        return transaction.execute(status -> {
            if (first && !teachers.isEmpty()) {
                return Optional.of(Fault.NOT_FIRST);
            }
            if (teachers.isTaken(normal(signInName))) {
                return Optional.of(Fault.TAKEN);
            }
            teachers.add(Ids.newId(), normal(signInName), fullName.strip(), role, hash, clock.millis());
            return Optional.empty();
        });
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
        return Optional.empty();
    }

    private static String normal(String signInName) {
        return signInName.strip().toLowerCase(Locale.ROOT);
    }
}
