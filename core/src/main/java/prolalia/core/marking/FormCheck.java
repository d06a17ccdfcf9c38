package prolalia.core.marking;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.TextRule;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineState;
import prolalia.core.marking.QuestionWithLines.Choice;

/** What a teacher may want to know of a question before children answer it. Stateless. */
public final class FormCheck {
    private FormCheck() {}

    /** The catalogue; the words stand in the message bundle under {@code formCheck.} and the name. */
    public enum Finding implements CatalogueEntry {
        /** A rule can't mark it, as it isn't told what is right. */
        NO_RIGHT_ANSWER(Severity.WARNING),
        /** There is nothing to choose from. */
        FEW_CHOICES(Severity.WARNING),
        EQUAL_CHOICES(Severity.WARNING),
        /** A choice that no child can hear. */
        SILENT_CHOICE(Severity.WARNING),
        /** Neither praise nor a correction is said. */
        NO_FEEDBACK(Severity.INFO),
        NO_POINTS(Severity.INFO),
        /** Nobody can draw, or speak, on paper that is printed. */
        NOT_ON_PAPER(Severity.WARNING),
        /** A choice belongs to no other one. */
        SINGLE_IN_PAIRS(Severity.WARNING);

        private final Severity severity;

        Finding(Severity severity) {
            this.severity = severity;
        }

        @Override
        public String words() {
            return "formCheck";
        }

        @Override
        public Severity severity() {
            return severity;
        }
    }

    /** @param printed whether its page comes from a paper that is printed */
    public static List<Finding> of(QuestionWithLines asked, boolean printed) {
        List<Finding> findings = new ArrayList<>();
        AnswerKind kind = asked.question().kind();
        boolean byRule = kind.isMarkedByRule();
        add(findings, Finding.FEW_CHOICES, kind.hasChoices() && asked.choices().size() < 2);
        add(findings, Finding.NO_RIGHT_ANSWER, byRule && !asked.hasKey());
        add(findings, Finding.EQUAL_CHOICES, kind.hasChoices() && areEqual(asked.choices()));
        add(
                findings,
                Finding.SILENT_CHOICE,
                kind.hasChoices() && asked.choices().stream().anyMatch(choice -> isSilent(choice.line())));
        add(
                findings,
                Finding.NO_FEEDBACK,
                byRule
                        && asked.praise().isEmpty()
                        && asked.correction().isEmpty()
                        && asked.corrections().isEmpty());
        add(findings, Finding.NO_POINTS, asked.question().points() == 0);
        add(
                findings,
                Finding.NOT_ON_PAPER,
                printed && asked.question().required() && !QuestionKind.of(kind).isForPaper());
        add(findings, Finding.SINGLE_IN_PAIRS, QuestionKind.of(kind).hasSingle(asked));
        return findings;
    }

    private static void add(List<Finding> findings, Finding finding, boolean found) {
        if (found) {
            findings.add(finding);
        }
    }

    private static boolean isSilent(Line line) {
        return line.isSayable() && line.state() == LineState.SILENT;
    }

    private static boolean areEqual(List<Choice> choices) {
        Set<String> met = new HashSet<>();
        return choices.stream()
                .map(choice -> TextRule.USUAL.plain(choice.line().words()))
                .anyMatch(words -> !words.isEmpty() && !met.add(words));
    }
}
