package prolalia.formats.qti;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.marking.QuestionWithLines.Choice;
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

    QtiRules(QuestionWithLines asked) {
        this.asked = asked;
    }

    static String id(Choice choice) {
        return "c-" + choice.id();
    }

    void declaration(XmlOut xml) {
        Question question = asked.question();
        List<Choice> choices = asked.choices();
        int points = question.points();
        switch (question.kind()) {
            case ONE_CHOICE, SEVERAL_CHOICES -> {
                boolean one = question.kind() == AnswerKind.ONE_CHOICE;
                List<String> right = choices.stream()
                        .filter(Choice::isRight)
                        .map(QtiRules::id)
                        .toList();
                open(xml, one ? "single" : "multiple", "identifier", right);
                Map<String, Double> worth = new TreeMap<>();
                choices.forEach(choice -> worth.put(
                        id(choice),
                        right.isEmpty()
                                ? 0
                                : choice.isRight()
                                        ? (double) points / right.size()
                                        : one ? 0 : (double) -points / right.size()));
                mapping(xml, worth, points, true);
            }
            case ORDER ->
                open(
                        xml,
                        "ordered",
                        "identifier",
                        choices.stream().map(QtiRules::id).toList());
            case PAIRS -> {
                Map<Integer, List<Choice>> pairs = pairs(choices);
                List<String> right = pairs.values().stream()
                        .filter(pair -> pair.size() > 1)
                        .map(pair -> id(pair.get(0)) + " " + id(pair.get(1)))
                        .toList();
                open(xml, "multiple", "directedPair", right);
                Map<String, Double> worth = new TreeMap<>();
                right.forEach(pair -> worth.put(pair, (double) points / right.size()));
                mapping(xml, worth, points, true);
            }
            case SHORT_WORDS -> {
                open(
                        xml,
                        "single",
                        "string",
                        question.accepted().stream().limit(1).toList());
                Map<String, Double> worth = new TreeMap<>();
                question.accepted().forEach(each -> worth.put(each, (double) points));
                mapping(xml, worth, points, question.text().caseMatters());
            }
            case NUMBER ->
                open(
                        xml,
                        "single",
                        "float",
                        question.number() == null
                                ? List.of()
                                : List.of(question.number().value().toPlainString()));
            case LONG_TEXT -> open(xml, "single", "string", List.of());
            case AREAS -> open(xml, "multiple", "point", List.of());
            case SPOKEN, DRAWING, PICTURE -> open(xml, "single", "file", List.of());
        }
        xml.close();
    }

    static Map<Integer, List<Choice>> pairs(List<Choice> choices) {
        Map<Integer, List<Choice>> pairs = new TreeMap<>();
        choices.stream()
                .filter(choice -> choice.mark().pair() > 0)
                .forEach(choice -> pairs.computeIfAbsent(choice.mark().pair(), unseen -> new ArrayList<>())
                        .add(choice));
        return pairs;
    }

    private static void open(XmlOut xml, String cardinality, String type, List<String> right) {
        xml.open("qti-response-declaration", "identifier", RESPONSE, "cardinality", cardinality, "base-type", type);
        if (!right.isEmpty()) {
            xml.open("qti-correct-response");
            right.forEach(value -> xml.element("qti-value", value));
            xml.close();
        }
    }

    private static void mapping(XmlOut xml, Map<String, Double> worth, int most, boolean exact) {
        if (worth.isEmpty()) {
            return;
        }
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
        return switch (asked.question().kind()) {
            case ONE_CHOICE, SEVERAL_CHOICES, PAIRS, SHORT_WORDS, ORDER -> true;
            case NUMBER -> asked.question().number() != null;
            case LONG_TEXT, SPOKEN, DRAWING, PICTURE, AREAS -> false;
        };
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
        boolean mapped =
                asked.question().kind() != AnswerKind.ORDER && asked.question().kind() != AnswerKind.NUMBER;
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
        NumberKey key = asked.question().number();
        if (asked.question().kind() == AnswerKind.ORDER) {
            xml.open("qti-match")
                    .empty("qti-variable", "identifier", RESPONSE)
                    .empty("qti-correct", "identifier", RESPONSE)
                    .close();
        } else {
            String within = key.tolerance().toPlainString();
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
        boolean one = asked.question().kind() == AnswerKind.ONE_CHOICE;
        for (Choice choice : asked.choices()) {
            if (asked.corrections().containsKey(choice.id())) {
                xml.open("qti-response-else-if").open(one ? "qti-match" : "qti-member");
                xml.element("qti-base-value", id(choice), "base-type", "identifier");
                xml.empty("qti-variable", "identifier", RESPONSE).close();
                set(xml, FEEDBACK, "identifier", id(choice));
                xml.close();
            }
        }
        xml.open("qti-response-else");
        set(xml, FEEDBACK, "identifier", asked.correction().isPresent() ? CORRECTION : NO_FEEDBACK);
        xml.close().close();
    }
}
