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
        NO_QUESTION_COLUMN(Severity.FAULT),
        /** A row has no question. */
        NO_QUESTION(Severity.WARNING),
        /** A column that isn't understood: what is in it is left out. */
        UNKNOWN_COLUMN(Severity.WARNING),
        UNKNOWN_KIND(Severity.WARNING),
        /** What is said to be right is none of the choices. */
        RIGHT_NOT_THERE(Severity.WARNING),
        /** It isn't told what is right. */
        NO_RIGHT_ANSWER(Severity.WARNING),
        EQUAL_CHOICES(Severity.WARNING),
        NO_NUMBER(Severity.WARNING),
        TOO_LONG(Severity.WARNING),
        TOO_MANY(Severity.WARNING),
        /** Something to answer with that we don't have. */
        UNKNOWN_INTERACTION(Severity.WARNING),
        /** Something outside of the file, which isn't fetched. */
        OUTSIDE_REFERENCE(Severity.WARNING),
        /** What the file itself computes isn't followed. */
        OWN_RULES(Severity.WARNING),
        /** Something that is read, but not kept as it is. */
        LEFT_OUT(Severity.INFO);

        private final Severity severity;

        Kind(Severity severity) {
            this.severity = severity;
        }

        @Override
        public String words() {
            return "form";
        }

        @Override
        public Severity severity() {
            return severity;
        }
    }
}
