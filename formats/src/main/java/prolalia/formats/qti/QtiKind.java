package prolalia.formats.qti;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.marking.QuestionWithLines.Choice;

/**
 * What a kind of question is in QTI 3.0 (ASI): the one place that says so. A new {@link AnswerKind} doesn't compile until
 * {@link #of} answers for it.
 *
 * @param cardinality of its response (2.11.1)
 * @param baseType of its response
 * @param interaction it is answered with (2.7)
 * @param scoring how its points are told
 * @param leftOut what QTI has no place for; empty: nothing
 */
record QtiKind(String cardinality, String baseType, Interaction interaction, Scoring scoring, String leftOut) {
    /** What is answered with; its name in QTI. */
    enum Interaction {
        CHOICE("qti-choice-interaction"),
        ORDER("qti-order-interaction"),
        MATCH("qti-match-interaction"),
        TEXT_ENTRY("qti-text-entry-interaction"),
        EXTENDED_TEXT("qti-extended-text-interaction"),
        SOUND_UPLOAD("qti-upload-interaction"),
        PICTURE_UPLOAD("qti-upload-interaction");

        private final String element;

        Interaction(String element) {
            this.element = element;
        }

        String element() {
            return element;
        }
    }

    /** How points are told. */
    enum Scoring {
        /** Each value is worth something, by a map. */
        MAPPED,
        /** All of it is right, or nothing. */
        MATCHED,
        /** A number within a tolerance is right. */
        EQUAL,
        /** Somebody hears or looks at it. */
        NONE
    }

    static QtiKind of(AnswerKind kind) {
        return switch (kind) {
            case ONE_CHOICE -> new QtiKind("single", "identifier", Interaction.CHOICE, Scoring.MAPPED, "");
            case SEVERAL_CHOICES -> new QtiKind("multiple", "identifier", Interaction.CHOICE, Scoring.MAPPED, "");
            case ORDER -> new QtiKind("ordered", "identifier", Interaction.ORDER, Scoring.MATCHED, "");
            case PAIRS -> new QtiKind("multiple", "directedPair", Interaction.MATCH, Scoring.MAPPED, "");
            case SHORT_WORDS -> new QtiKind("single", "string", Interaction.TEXT_ENTRY, Scoring.MAPPED, "");
            case NUMBER -> new QtiKind("single", "float", Interaction.TEXT_ENTRY, Scoring.EQUAL, "");
            case LONG_TEXT -> new QtiKind("single", "string", Interaction.EXTENDED_TEXT, Scoring.NONE, "");
            case SPOKEN -> new QtiKind("single", "file", Interaction.SOUND_UPLOAD, Scoring.NONE, "");
            case DRAWING, PICTURE -> new QtiKind("single", "file", Interaction.PICTURE_UPLOAD, Scoring.NONE, "");
            case AREAS ->
                new QtiKind(
                        "single",
                        "file",
                        Interaction.PICTURE_UPLOAD,
                        Scoring.NONE,
                        "the places on its picture that are right");
        };
    }

    boolean takesOne() {
        return cardinality.equals("single");
    }

    /** What is right, as values of its response. */
    List<String> right(QuestionWithLines asked) {
        Question question = asked.question();
        return switch (interaction) {
            case CHOICE ->
                asked.choices().stream()
                        .filter(Choice::isRight)
                        .map(QtiKind::id)
                        .toList();
            case ORDER -> asked.choices().stream().map(QtiKind::id).toList();
            case MATCH ->
                pairs(asked.choices()).values().stream()
                        .filter(pair -> pair.size() > 1)
                        .map(pair -> id(pair.get(0)) + " " + id(pair.get(1)))
                        .toList();
            case TEXT_ENTRY ->
                scoring == Scoring.MAPPED
                        ? question.accepted().stream().limit(1).toList()
                        : question.number() == null
                                ? List.of()
                                : List.of(question.number().value().toPlainString());
            case EXTENDED_TEXT, SOUND_UPLOAD, PICTURE_UPLOAD -> List.of();
        };
    }

    /** What each value of a response is worth, where a map tells it: parts of the points of the question. */
    Map<String, Double> worth(QuestionWithLines asked) {
        Map<String, Double> worth = new TreeMap<>();
        if (scoring != Scoring.MAPPED) {
            return worth;
        }
        double points = asked.question().points();
        List<String> right = right(asked);
        if (interaction == Interaction.TEXT_ENTRY) {
            asked.question().accepted().forEach(each -> worth.put(each, points));
            return worth;
        }
        if (interaction == Interaction.CHOICE) {
            double wrong = takesOne() || right.isEmpty() ? 0 : -points / right.size();
            asked.choices().forEach(choice -> worth.put(id(choice), wrong));
        }
        right.forEach(value -> worth.put(value, points / right.size()));
        return worth;
    }

    /** Whether a rule tells what an answer is worth. */
    boolean isMarked(Question question) {
        return scoring != Scoring.NONE && (scoring != Scoring.EQUAL || question.number() != null);
    }

    /** A choice as the values of its response name it. */
    static String id(Choice choice) {
        return "c-" + choice.id();
    }

    /** Choices that belong together, by the number of their pair. */
    static Map<Integer, List<Choice>> pairs(List<Choice> choices) {
        Map<Integer, List<Choice>> pairs = new TreeMap<>();
        choices.stream()
                .filter(choice -> choice.mark().pair() > 0)
                .forEach(choice -> pairs.computeIfAbsent(choice.mark().pair(), unseen -> new ArrayList<>())
                        .add(choice));
        return pairs;
    }
}
