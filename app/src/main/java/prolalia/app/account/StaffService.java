package prolalia.app.account;

import java.text.Normalizer;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;

/** Who works at the school: admins add people, who set their passwords by a link that is shown once. */
@Service
public class StaffService {
    static final Duration LINK_HOLDS = Duration.ofDays(3);

    private static final int LONGEST_SIGN_IN_NAME = 24;

    private final TeacherStore teachers;
    private final SignInStore signIns;
    private final PasswordEncoder passwords;
    private final AuditLog audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    StaffService(
            TeacherStore teachers,
            SignInStore signIns,
            PasswordEncoder passwords,
            AuditLog audit,
            TransactionTemplate transaction,
            Clock clock) {
        this.teachers = teachers;
        this.signIns = signIns;
        this.passwords = passwords;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Why something about the staff isn't done; the words stand in the message bundle under {@code people.} and the name. */
    enum Fault {
        NO_NAME,
        LONG_NAME,
        /** Nobody would be left who looks after the school. */
        LAST_ADMIN,
        WRONG_PASSWORD,
        SHORT_PASSWORD,
        LONG_PASSWORD
    }

    /** @param secret of the link by which the password is set; it is known here alone */
    record Invited(StaffMember member, String secret) {}

    public List<StaffMember> all() {
        return teachers.all();
    }

    public Optional<StaffMember> find(String id) {
        return teachers.find(id);
    }

    public boolean isName(String fullName) {
        return faultOfName(fullName).isEmpty();
    }

    Optional<Fault> faultOfName(String fullName) {
        String name = fullName.strip();
        return name.isEmpty()
                ? Optional.of(Fault.NO_NAME)
                : name.length() > AccountService.LONGEST_TEXT ? Optional.of(Fault.LONG_NAME) : Optional.empty();
    }

    Invited add(Teacher admin, String fullName, Role role) {
        String unknown = unknownPassword();
        return transaction.execute(status -> {
            String id = Ids.newId();
            teachers.add(id, freeSignInName(fullName), fullName.strip(), role, unknown, clock.millis());
            audit.note(admin.id(), Deed.STAFF_ADDED, fullName.strip());
            return invite(id);
        });
    }

    /** A password that nobody knows, encoded. It takes a while: before a transaction. */
    public String unknownPassword() {
        return passwords.encode(Ids.newToken());
    }

    /** Somebody who helps in classes until a day, and who comes in by a link alone; answers her id. */
    public String addUntil(Teacher by, String fullName, long endsAt, String unknown) {
        return transaction.execute(status -> {
            String id = Ids.newId();
            teachers.add(id, "substitute-" + id, fullName.strip(), Role.AIDE, unknown, clock.millis());
            teachers.setEndsAt(id, endsAt);
            audit.note(by.id(), Deed.SUBSTITUTE_ADDED, fullName.strip());
            return id;
        });
    }

    /** A substitute is out, wherever she is in. */
    public void end(String id) {
        transaction.executeWithoutResult(status -> {
            teachers.setEndsAt(id, clock.millis());
            signIns.removeOf(id, null);
        });
    }

    /** A substitute who comes in by her link, with the name that she says. */
    public SignedInTeacher asSubstitute(String id, String fullName) {
        return transaction.execute(status -> {
            teachers.setFullName(id, fullName);
            return asSignedIn(needs(id));
        });
    }

    SignedInTeacher asSignedIn(StaffMember member) {
        return new SignedInTeacher(member.id(), member.signInName(), member.fullName(), member.role(), null);
    }

    /** For a forgotten password; a link that was made before holds no more. */
    Invited inviteAgain(Teacher admin, String id) {
        return transaction.execute(status -> {
            audit.note(admin.id(), Deed.STAFF_LINK, needs(id).fullName());
            return invite(id);
        });
    }

    private Invited invite(String id) {
        String secret = Ids.newToken();
        teachers.setPasswordLink(id, CookieSignIns.hash(secret), clock.millis() + LINK_HOLDS.toMillis());
        return new Invited(needs(id), secret);
    }

    Optional<Fault> setRole(Teacher admin, String id, Role role) {
        return transaction.execute(status -> {
            StaffMember member = needs(id);
            if (role != Role.ADMIN && isLastAdmin(member)) {
                return Optional.of(Fault.LAST_ADMIN);
            }
            teachers.setRole(id, role);
            audit.note(admin.id(), Deed.STAFF_ROLE, member.fullName());
            return Optional.empty();
        });
    }

    /** She is signed out everywhere at once, and can't come in; her lessons stay. */
    Optional<Fault> disable(Teacher admin, String id) {
        return transaction.execute(status -> {
            StaffMember member = needs(id);
            if (isLastAdmin(member)) {
                return Optional.of(Fault.LAST_ADMIN);
            }
            teachers.setDisabled(id, clock.millis());
            teachers.removePasswordLinks(id);
            signIns.removeOf(id, null);
            audit.note(admin.id(), Deed.STAFF_DISABLED, member.fullName());
            return Optional.empty();
        });
    }

    void enable(Teacher admin, String id) {
        transaction.executeWithoutResult(status -> {
            teachers.setDisabled(id, null);
            audit.note(admin.id(), Deed.STAFF_ENABLED, needs(id).fullName());
        });
    }

    /** Asked within the transaction that would change it, so that two admins can't disable each other. */
    private boolean isLastAdmin(StaffMember member) {
        return member.role() == Role.ADMIN && !member.disabled() && teachers.adminsBeside(member.id()) == 0;
    }

    Optional<StaffMember> ofPasswordLink(String secret) {
        return teachers.ofPasswordLink(CookieSignIns.hash(secret), clock.millis());
    }

    /** Sets the password that a link is for; the link holds no more then. */
    Optional<Fault> setPassword(String secret, String password) {
        Optional<Fault> fault = faultOfPassword(password);
        if (fault.isPresent()) {
            return fault;
        }
        String hash = passwords.encode(password);
        transaction.executeWithoutResult(status -> {
            StaffMember member = ofPasswordLink(secret).orElseThrow(() -> new NotFoundException("password link"));
            teachers.setPassword(member.id(), hash);
            teachers.removePasswordLinks(member.id());
            signIns.removeOf(member.id(), null);
        });
        return Optional.empty();
    }

    /** Somebody changes her own; on other devices she is signed out. @param secret of the device that she is at */
    Optional<Fault> changePassword(Teacher teacher, String old, String password, String secret) {
        if (!passwords.matches(old, teachers.passwordHash(teacher.id()))) {
            return Optional.of(Fault.WRONG_PASSWORD);
        }
        Optional<Fault> fault = faultOfPassword(password);
        if (fault.isPresent()) {
            return fault;
        }
        String hash = passwords.encode(password);
        transaction.executeWithoutResult(status -> {
            teachers.setPassword(teacher.id(), hash);
            signIns.removeOf(teacher.id(), CookieSignIns.hash(secret));
        });
        return Optional.empty();
    }

    Optional<Fault> rename(Teacher teacher, String fullName) {
        Optional<Fault> fault = faultOfName(fullName);
        if (fault.isEmpty()) {
            transaction.executeWithoutResult(status -> teachers.setFullName(teacher.id(), fullName.strip()));
        }
        return fault;
    }

    private static Optional<Fault> faultOfPassword(String password) {
        return password.length() < AccountService.SHORTEST_PASSWORD
                ? Optional.of(Fault.SHORT_PASSWORD)
                : password.length() > AccountService.LONGEST_TEXT ? Optional.of(Fault.LONG_PASSWORD) : Optional.empty();
    }

    /** The first name in plain letters, with a number if somebody has it already. */
    private String freeSignInName(String fullName) {
        String first = Normalizer.normalize(fullName.strip().split("\\s+")[0], Normalizer.Form.NFKD)
                .replaceAll("[^\\p{L}\\p{N}]", "")
                .toLowerCase(Locale.ROOT);
        String wanted =
                first.isEmpty() ? "teacher" : first.substring(0, Math.min(LONGEST_SIGN_IN_NAME, first.length()));
        String name = wanted;
        for (int number = 2; teachers.isTaken(name); number++) {
            name = wanted + number;
        }
        return name;
    }

    private StaffMember needs(String id) {
        return teachers.find(id).orElseThrow(() -> new NotFoundException("teacher"));
    }
}
