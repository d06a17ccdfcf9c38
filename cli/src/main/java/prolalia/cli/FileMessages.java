package prolalia.cli;

import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;
import prolalia.core.align.SplitFinding;
import prolalia.core.script.ReadForm.RowFinding;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Refusal;
import prolalia.formats.archive.ArchiveRefusedException;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.qti.QtiRefusedException;

/** What is said about a file that can't be taken. */
final class FileMessages {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("prolalia.cli.messages");

    private FileMessages() {}

    static String of(Refusal.Reason reason) {
        return WORDS.getString("refusal." + reason.name());
    }

    static String of(PaperRefusedException.Reason reason) {
        return WORDS.getString("paper." + reason.name());
    }

    static String of(Finding.Kind finding) {
        return WORDS.getString("finding." + finding.name());
    }

    static String of(SplitFinding.Kind finding) {
        return WORDS.getString("split." + finding.name());
    }

    static String of(ArchiveRefusedException refused) {
        return MessageFormat.format(
                WORDS.getString("archive." + refused.reason().name()), refused.detail());
    }

    static String of(QtiRefusedException.Reason reason) {
        return WORDS.getString("qti." + reason.name());
    }

    static String of(RowFinding finding) {
        return say("form." + finding.kind().name(), finding.row(), finding.detail());
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
