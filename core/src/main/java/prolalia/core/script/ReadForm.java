package prolalia.core.script;

import java.util.List;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * Questions that were read from a file, as the lines of a script, and what is to be said of the file.
 *
 * @param lines each question with its choices, hints, praise and corrections under it
 */
public record ReadForm(List<ReadLine> lines, List<RowFinding> findings) {
    public ReadForm {
        lines = List.copyOf(lines);
        findings = List.copyOf(findings);
    }

    /**
     * Something found.
     *
     * @param row of the table, from 1 for its head; for other files the number of the question, from 1; 0: the file as a whole
     * @param detail what it is about, such as a column's name; empty: nothing more
     */
    public record RowFinding(int row, Kind kind, String detail) {}

    /** The catalogue; the words stand in the message bundle under {@code form.} and the name. */
    public enum Kind implements CatalogueEntry {
        /** There is no column that is a question. */
        NO_QUESTION_COLUMN,
        /** A row has no question. */
        NO_QUESTION,
        /** A column that isn't understood: what is in it is left out. */
        UNKNOWN_COLUMN,
        UNKNOWN_KIND,
        /** What is said to be right is none of the choices. */
        RIGHT_NOT_THERE,
        /** It isn't told what is right. */
        NO_RIGHT_ANSWER,
        EQUAL_CHOICES,
        NO_NUMBER,
        TOO_LONG,
        TOO_MANY,
        /** Something to answer with that we don't have. */
        UNKNOWN_INTERACTION,
        /** Something outside of the file, which isn't fetched. */
        OUTSIDE_REFERENCE,
        /** What the file itself computes isn't followed. */
        OWN_RULES,
        /** Something that is read, but not kept as it is. */
        LEFT_OUT;

        @Override
        public String words() {
            return "form";
        }

        @Override
        public Severity severity() {
            return this == NO_QUESTION_COLUMN ? Severity.FAULT : this == LEFT_OUT ? Severity.INFO : Severity.WARNING;
        }
    }
}
