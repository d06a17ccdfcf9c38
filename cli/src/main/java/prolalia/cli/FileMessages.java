package prolalia.cli;

import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.script.ReadForm.RowFinding;
import prolalia.formats.archive.ArchiveRefusedException;

/** What is said about a file that can't be taken. */
final class FileMessages {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("prolalia.cli.messages");

    private FileMessages() {}

    /** What a finding says, or why something was refused. */
    static String of(CatalogueEntry entry) {
        return WORDS.getString(entry.messageKey());
    }

    static String of(ArchiveRefusedException refused) {
        return MessageFormat.format(of(refused.reason()), refused.detail());
    }

    static String of(RowFinding finding) {
        return say(finding.kind().messageKey(), finding.row(), finding.detail());
    }

    static String say(String key, Object... arguments) {
        return new MessageFormat(WORDS.getString(key), Locale.ROOT).format(arguments);
    }

    static String leftBehind(Path folder) {
        return MessageFormat.format(WORDS.getString("archive.leftBehind"), folder);
    }

    static String scriptIsNotText() {
        return WORDS.getString("split.notText");
    }

    static String of(Exception failure) {
        if (failure instanceof NoSuchFileException) {
            return WORDS.getString("file.missing");
        }
        if (failure instanceof AccessDeniedException) {
            return WORDS.getString("file.forbidden");
        }
        return WORDS.getString("file.unreadable");
    }
}
