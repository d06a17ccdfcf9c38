package prolalia.app.account;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.slf4j.LoggerFactory;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import prolalia.app.platform.Ids;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;

/**
 * Makes a link by which somebody sets a new password, for who looks after the server: {@code PasswordLinkCommand FOLDER NAME}.
 * Whoever can write the data folder may do so. The server may be running.
 */
public final class PasswordLinkCommand {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("messages", Locale.ENGLISH);
    private static final int BUSY_TIMEOUT_MS = 30_000;
    private static final int USAGE = 2;

    private PasswordLinkCommand() {}

    public static void main(String[] arguments) {
        System.setProperty("org.jooq.no-logo", "true");
        System.setProperty("org.jooq.no-tips", "true");
        ((Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME)).setLevel(Level.WARN);
        Path database = Path.of(arguments[0]).toAbsolutePath().resolve("prolalia.db");
        if (!Files.isRegularFile(database)) {
            System.err.println(say("doctor.noData", database.getParent()));
            System.exit(USAGE);
        }
        DSLContext both = open(database);
        TeacherStore teachers = new TeacherStore(both, both);
        Optional<SignedInTeacher> found = arguments.length < 2
                ? Optional.empty()
                : teachers.bySignInName(arguments[1].strip().toLowerCase(Locale.ROOT));
        if (found.isEmpty()) {
            String known = teachers.all().stream()
                    .filter(member -> !member.disabled())
                    .map(member -> member.signInName() + " (" + member.fullName() + ")")
                    .collect(Collectors.joining(", "));
            System.err.println(say("password.command.who", known));
            System.exit(USAGE);
        }
        String secret = Ids.newToken();
        both.transaction(within -> {
            DSLContext writing = within.dsl();
            new TeacherStore(writing, writing)
                    .setPasswordLink(
                            found.get().id(),
                            CookieSignIns.hash(secret),
                            System.currentTimeMillis() + StaffService.LINK_HOLDS.toMillis());
            AuditLog.in(writing, Clock.systemUTC())
                    .noteOf(
                            say("password.command.by"),
                            Deed.STAFF_LINK,
                            found.get().fullName());
        });
        System.out.println(say(
                "password.command.link",
                found.get().fullName(),
                StaffService.LINK_HOLDS.toDays(),
                "/password/" + secret));
    }

    private static DSLContext open(Path database) {
        SQLiteConfig config = new SQLiteConfig();
        config.setBusyTimeout(BUSY_TIMEOUT_MS);
        config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + database);
        return DSL.using(source, SQLDialect.SQLITE);
    }

    private static String say(String key, Object... values) {
        return MessageFormat.format(WORDS.getString(key), values);
    }
}
