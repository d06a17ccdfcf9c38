package prolalia.formats.questions;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import prolalia.core.script.PastedQuestions;
import prolalia.core.script.ReadForm;
import prolalia.formats.qti.QtiFile;
import prolalia.formats.qti.QtiRefusedException;
import prolalia.formats.table.Table;

/** Questions of a file, whatever it is: QTI 3, a table, or text as it would be pasted. */
public final class QuestionFile {
    private QuestionFile() {}

    /**
     * @param name of the file: a table is told by its ending, or by its head
     * @throws QtiRefusedException if it is XML or a ZIP that can't be read as QTI
     * @throws IOException if it can't be read as a table
     */
    public static ReadForm read(byte[] file, String name) throws IOException, QtiRefusedException {
        String lower = name.toLowerCase(Locale.ROOT);
        String start = new String(file, 0, Math.min(file.length, 400), StandardCharsets.ISO_8859_1).strip();
        if (QtiFile.isZip(file)
                || lower.endsWith(".xml")
                || start.replaceAll("^\\W*", "<").startsWith("<?xml")
                || start.contains("<qti-assessment-item")) {
            return QtiFile.read(file).form();
        }
        if (lower.endsWith(".csv") || lower.endsWith(".tsv")) {
            return QuestionTable.read(file);
        }
        String text = new String(file, Charset.forName(Table.charsetOf(file)));
        return new ReadForm(PastedQuestions.read(text.startsWith("\ufeff") ? text.substring(1) : text), List.of());
    }
}
