package prolalia.app.platform;

import java.sql.SQLTransientException;
import java.util.Locale;

/** Recognizes what fails now and not for good: a full disk, a database that is locked or busy with others. */
public final class PassingFailure {
    private static final int DEEPEST = 12;

    private PassingFailure() {}

    public static boolean isWhy(Throwable failure) {
        int depth = 0;
        for (Throwable each = failure; each != null && depth < DEEPEST; each = each.getCause(), depth++) {
            String message = each.getMessage() == null ? "" : each.getMessage().toLowerCase(Locale.ROOT);
            if (each instanceof SQLTransientException
                    || message.contains("sqlite_busy")
                    || message.contains("sqlite_locked")) {
                return true;
            }
        }
        return FullDisk.isWhy(failure);
    }
}
