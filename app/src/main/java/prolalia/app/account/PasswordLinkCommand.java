package prolalia.app.account;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;
import prolalia.app.platform.Ids;

/**
 * Makes a link by which somebody sets a new password, for who looks after the server: {@code PasswordLinkCommand FOLDER NAME}.
 * Whoever can write the data folder may do so. The server may be running.
 */
public final class PasswordLinkCommand {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("messages", Locale.ENGLISH);
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
        TeacherStore teachers = TeacherStore.of(database);
        String name = arguments.length < 2 ? "" : arguments[1].strip().toLowerCase(Locale.ROOT);
        List<StaffMember> staff =
                teachers.all().stream().filter(member -> !member.disabled()).toList();
        StaffMember member = staff.stream()
                .filter(each -> each.signInName().equals(name))
                .findFirst()
                .orElse(null);
        if (member == null) {
            String known = staff.stream()
                    .map(each -> each.signInName() + " (" + each.fullName() + ")")
                    .collect(Collectors.joining(", "));
            System.err.println(say("password.command.who", known));
            System.exit(USAGE);
        }
        String secret = Ids.newToken();
        long endsAt = System.currentTimeMillis() + StaffService.LINK_HOLDS.toMillis();
        teachers.setPasswordLink(member, CookieSignIns.hash(secret), endsAt, say("password.command.by"));
        System.out.println(say(
                "password.command.link", member.fullName(), StaffService.LINK_HOLDS.toDays(), "/password/" + secret));
    }

    private static String say(String key, Object... values) {
        return MessageFormat.format(WORDS.getString(key), values);
    }
}
