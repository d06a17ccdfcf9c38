package prolalia.formats.qti;

import java.util.List;
import java.util.Map;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.marking.QuestionWithLines.Choice;
import prolalia.formats.qti.QtiKind.Scoring;
import prolalia.formats.xml.XmlOut;

/**
 * Writes what is right, and what is said afterwards: the declaration of a response and the processing of it (QTI 3.0 ASI, 2.11),
 * by a template where that is enough.
 */
final class QtiRules {
    static final String RESPONSE = "RESPONSE";
    static final String SCORE = "SCORE";
    static final String FEEDBACK = "FEEDBACK";
    static final String PRAISE = "praise";
    static final String CORRECTION = "correction";
    private static final String NO_FEEDBACK = "nothing";
    private static final String TEMPLATES = "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/";

    private final QuestionWithLines asked;
    private final QtiKind kind;

    QtiRules(QuestionWithLines asked) {
        this.asked = asked;
        kind = QtiKind.of(asked.question().kind());
    }

    QtiKind kind() {
        return kind;
    }

    void declaration(XmlOut xml) {
        xml.open(
                "qti-response-declaration",
                "identifier",
                RESPONSE,
                "cardinality",
                kind.cardinality(),
                "base-type",
                kind.baseType());
        List<String> right = kind.right(asked);
        if (!right.isEmpty()) {
            xml.open("qti-correct-response");
            right.forEach(value -> xml.element("qti-value", value));
            xml.close();
        }
        mapping(xml);
        xml.close();
    }

    private void mapping(XmlOut xml) {
        Map<String, Double> worth = kind.worth(asked);
        if (worth.isEmpty()) {
            return;
        }
        int most = asked.question().points();
        boolean exact =
                !kind.baseType().equals("string") || asked.question().text().caseMatters();
        xml.open("qti-mapping", "lower-bound", "0", "upper-bound", String.valueOf(most), "default-value", "0");
        worth.forEach((key, value) -> xml.empty(
                "qti-map-entry",
                "map-key",
                key,
                "mapped-value",
                String.valueOf(value),
                "case-sensitive",
                String.valueOf(exact)));
        xml.close();
    }

    /** Whether a rule tells what an answer is worth. */
    boolean isMarked() {
        return kind.isMarked(asked.question());
    }

    boolean hasFeedback() {
        return asked.praise().isPresent()
                || asked.correction().isPresent()
                || !asked.corrections().isEmpty();
    }

    void processing(XmlOut xml) {
        if (!isMarked()) {
            return;
        }
        boolean mapped = kind.scoring() == Scoring.MAPPED;
        if (mapped && !hasFeedback()) {
            xml.empty("qti-response-processing", "template", TEMPLATES + "map_response.xml");
            return;
        }
        xml.open("qti-response-processing");
        if (mapped) {
            xml.open("qti-set-outcome-value", "identifier", SCORE)
                    .empty("qti-map-response", "identifier", RESPONSE)
                    .close();
        } else {
            xml.open("qti-response-condition").open("qti-response-if");
            isRight(xml);
            set(xml, SCORE, "float", String.valueOf(asked.question().points()));
            xml.close().close();
        }
        if (hasFeedback()) {
            chooseFeedback(xml);
        }
        xml.close();
    }

    private void isRight(XmlOut xml) {
        if (kind.scoring() == Scoring.MATCHED) {
            xml.open("qti-match")
                    .empty("qti-variable", "identifier", RESPONSE)
                    .empty("qti-correct", "identifier", RESPONSE)
                    .close();
        } else {
            String within = asked.question().number().tolerance().toPlainString();
            xml.open("qti-equal", "tolerance-mode", "absolute", "tolerance", within + " " + within)
                    .empty("qti-correct", "identifier", RESPONSE)
                    .empty("qti-variable", "identifier", RESPONSE)
                    .close();
        }
    }

    private static void set(XmlOut xml, String outcome, String type, String value) {
        xml.open("qti-set-outcome-value", "identifier", outcome)
                .element("qti-base-value", value, "base-type", type)
                .close();
    }

    /** Of an answer that is right, of a choice, or of any other answer; of none, nothing. */
    private void chooseFeedback(XmlOut xml) {
        xml.open("qti-response-condition").open("qti-response-if");
        xml.open("qti-is-null").empty("qti-variable", "identifier", RESPONSE).close();
        set(xml, FEEDBACK, "identifier", NO_FEEDBACK);
        xml.close().open("qti-response-else-if").open("qti-gte");
        xml.empty("qti-variable", "identifier", SCORE);
        xml.element("qti-base-value", String.valueOf(asked.question().points()), "base-type", "float");
        xml.close();
        set(xml, FEEDBACK, "identifier", asked.praise().isPresent() ? PRAISE : NO_FEEDBACK);
        xml.close();
        boolean one = kind.takesOne();
        for (Choice choice : asked.choices()) {
            if (asked.corrections().containsKey(choice.id())) {
                xml.open("qti-response-else-if").open(one ? "qti-match" : "qti-member");
                xml.element("qti-base-value", QtiKind.id(choice), "base-type", "identifier");
                xml.empty("qti-variable", "identifier", RESPONSE).close();
                set(xml, FEEDBACK, "identifier", QtiKind.id(choice));
                xml.close();
            }
        }
        xml.open("qti-response-else");
        set(xml, FEEDBACK, "identifier", asked.correction().isPresent() ? CORRECTION : NO_FEEDBACK);
        xml.close().close();
    }
}
