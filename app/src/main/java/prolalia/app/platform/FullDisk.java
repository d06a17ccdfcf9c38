package prolalia.app.platform;

import java.util.Locale;

/** Recognizes that something failed since there is no room on the disk. */
public final class FullDisk {
    private static final int DEEPEST = 12;

    private FullDisk() {}

    public static boolean isWhy(Throwable failure) {
        int depth = 0;
        for (Throwable each = failure; each != null && depth < DEEPEST; each = each.getCause(), depth++) {
            String message = each.getMessage() == null ? "" : each.getMessage().toLowerCase(Locale.ROOT);
            if (each instanceof FullDiskException
                    || message.contains("no space left")
                    || message.contains("not enough space")
                    || message.contains("disk quota")
                    || message.contains("sqlite_full")
                    || message.contains("database or disk is full")) {
                return true;
            }
        }
        return false;
    }
}
