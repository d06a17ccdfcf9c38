package prolalia.formats.qti;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.Question;
import prolalia.core.answer.TextRule;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadForm;
import prolalia.core.script.ReadForm.Kind;
import prolalia.core.script.ReadForm.RowFinding;
import prolalia.formats.qti.QtiItem.Declaration;
import prolalia.formats.qti.QtiItem.Feedback;

/** Makes questions of items. What can't be asked here is said by its name. */
final class QtiForm {
    /** An answer that nobody foresaw. */
    private static final String NO_CHOICE = "\u2205";

    private static final Set<String> OUTSIDE = Set.of("src", "href", "data");

    private final List<ReadLine> lines = new ArrayList<>();
    private final List<RowFinding> findings = new ArrayList<>();

    ReadForm read() {
        return new ReadForm(lines, findings);
    }

    private void find(int number, Kind kind, String detail) {
        findings.add(new RowFinding(number, kind, detail));
    }

    void add(int number, QtiItem item) {
        QtiXml.all(item.body())
                .forEach(element -> OUTSIDE.stream()
                        .map(element::getAttribute)
                        .filter(address -> address.matches("(?i)[a-z][a-z0-9+.-]*:.*|//.*"))
                        .forEach(address -> find(number, Kind.OUTSIDE_REFERENCE, address)));
        List<Element> interactions = QtiXml.all(item.body())
                .filter(element -> QtiXml.name(element).endsWith("-interaction"))
                .toList();
        boolean own = item.processing() != null
                && item.processing().getAttribute("template").isEmpty()
                && !QtiXml.children(item.processing()).isEmpty();
        if (own) {
            find(number, Kind.OWN_RULES, item.identifier());
        }
        if (interactions.isEmpty()) {
            String words = QtiXml.words(item.body());
            if (!words.isEmpty()) {
                lines.add(new ReadLine(LineKind.PASSAGE, words));
            }
        }
        for (Element interaction : interactions) {
            interaction(number, item, interaction, interactions.size() == 1 ? item.feedback() : List.of());
        }
    }

    private void interaction(int number, QtiItem item, Element interaction, List<Feedback> feedback) {
        Declaration declaration = item.declarations().get(interaction.getAttribute("response-identifier"));
        String words = words(item, interaction);
        Question question = question(number, interaction, declaration);
        if (question == null) {
            return;
        }
        int points = points(item);
        question = question.withPoints(points);
        lines.add(new ReadLine(LineTraits.of(LineKind.QUESTION).withQuestion(question), words));
        List<Feedback> after = new ArrayList<>(feedback);
        List<Feedback> praise = said(item, QtiMarking.right(item), after);
        List<Feedback> general = declaration == null
                ? List.of()
                : said(item, Map.of(declaration.identifier(), List.of(NO_CHOICE)), after);
        choices(
                interaction,
                declaration,
                question.kind(),
                choice -> declaration == null
                        ? List.of()
                        : said(item, Map.of(declaration.identifier(), List.of(choice)), after));
        praise.forEach(each -> lines.add(new ReadLine(LineKind.PRAISE, each.words())));
        general.forEach(each -> lines.add(new ReadLine(LineKind.CORRECTION, each.words())));
        if (question.kind().hasRightChoices()
                && (declaration == null || right(declaration).isEmpty())) {
            find(number, Kind.NO_RIGHT_ANSWER, "");
        }
    }

    /** What is said after an answer, by the item's own rules; it is taken out of what is left. */
    private static List<Feedback> said(QtiItem item, Map<String, List<String>> answer, List<Feedback> left) {
        List<Feedback> said = left.stream()
                .filter(each -> each.identifier().equals(QtiMarking.outcome(item, answer, each.outcome())))
                .toList();
        left.removeAll(said);
        return said;
    }

    /** What a right answer is worth by the item's own rules, in whole points; 1 when that isn't told. */
    private static int points(QtiItem item) {
        try {
            double most = QtiMarking.mark(item, Map.of()).most();
            return most > 0 ? (int) Math.max(1, Math.round(most)) : 1;
        } catch (QtiMarking.UnknownRuleException | IndexOutOfBoundsException unknown) {
            return Double.isNaN(item.normalMaximum()) ? 1 : (int) Math.round(item.normalMaximum());
        }
    }

    /** The prompt, else all that stands in the item besides what is answered with. */
    private static String words(QtiItem item, Element interaction) {
        String prompt = QtiXml.children(interaction, "qti-prompt")
                .map(QtiXml::words)
                .findFirst()
                .orElse("");
        StringBuilder around = new StringBuilder();
        collect(item.body(), around);
        String beside = around.toString().replaceAll("\\s+", " ").strip();
        String words = prompt.isEmpty() ? beside : beside.isEmpty() ? prompt : beside + " " + prompt;
        return words.isEmpty() ? item.title() : words;
    }

    private static void collect(Node node, StringBuilder words) {
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element && QtiXml.name(element).endsWith("-interaction")) {
                words.append(QtiXml.name(element).contains("text-entry") ? " ____ " : " ");
            } else if (child instanceof Element) {
                collect(child, words);
                words.append(' ');
            } else {
                words.append(child.getTextContent());
            }
        }
    }

    private Question question(int number, Element interaction, Declaration declaration) {
        return switch (QtiXml.name(interaction)) {
            case "qti-choice-interaction", "qti-hottext-interaction" ->
                Question.of(
                        interaction.getAttribute("max-choices").equals("1")
                                        || declaration != null
                                                && declaration.cardinality() == QtiItem.Cardinality.SINGLE
                                ? AnswerKind.ONE_CHOICE
                                : AnswerKind.SEVERAL_CHOICES);
            case "qti-inline-choice-interaction" -> Question.of(AnswerKind.ONE_CHOICE);
            case "qti-order-interaction" -> Question.of(AnswerKind.ORDER);
            case "qti-match-interaction", "qti-associate-interaction" -> Question.of(AnswerKind.PAIRS);
            case "qti-text-entry-interaction" -> typed(declaration);
            case "qti-extended-text-interaction" -> Question.of(AnswerKind.LONG_TEXT);
            case "qti-drawing-interaction" -> Question.of(AnswerKind.DRAWING);
            case "qti-upload-interaction" -> upload(interaction);
            default -> {
                find(number, Kind.UNKNOWN_INTERACTION, QtiXml.name(interaction));
                yield null;
            }
        };
    }

    private static Question upload(Element interaction) {
        String type = interaction.getAttribute("type").toLowerCase(Locale.ROOT);
        return Question.of(type.startsWith("audio") ? AnswerKind.SPOKEN : AnswerKind.PICTURE);
    }

    private static Question typed(Declaration declaration) {
        if (declaration == null) {
            return Question.of(AnswerKind.SHORT_WORDS);
        }
        List<String> right = right(declaration);
        if (declaration.baseType().equals("integer") || declaration.baseType().equals("float")) {
            NumberKey key = right.stream()
                    .filter(each -> each.matches("-?[0-9]+(?:\\.[0-9]+)?"))
                    .map(each -> NumberKey.of(new BigDecimal(each)))
                    .findFirst()
                    .orElse(null);
            return Question.of(AnswerKind.NUMBER).withNumber(key);
        }
        boolean exact = declaration.mapping() == null
                || declaration.mapping().entries().stream().anyMatch(entry -> entry.caseSensitive());
        return Question.of(AnswerKind.SHORT_WORDS).withAccepted(right).withText(new TextRule(exact, true, true, exact));
    }

    /** The values that are worth something. */
    private static List<String> right(Declaration declaration) {
        if (!declaration.correct().isEmpty() && declaration.mapping() == null) {
            return declaration.correct();
        }
        List<String> right = new ArrayList<>(declaration.correct());
        if (declaration.mapping() != null) {
            declaration.mapping().entries().stream()
                    .filter(entry -> entry.value() > 0 && !right.contains(entry.key()))
                    .forEach(entry -> right.add(entry.key()));
        }
        return right;
    }

    private void choices(
            Element interaction, Declaration declaration, AnswerKind kind, Function<String, List<Feedback>> saidAfter) {
        List<Element> choices = QtiXml.all(interaction)
                .filter(element -> Set.of(
                                "qti-simple-choice", "qti-inline-choice", "qti-simple-associable-choice", "qti-hottext")
                        .contains(QtiXml.name(element)))
                .collect(Collectors.toCollection(ArrayList::new));
        List<String> right = declaration == null ? List.of() : right(declaration);
        if (kind == AnswerKind.ORDER && !right.isEmpty()) {
            choices.sort((one, other) -> Integer.compare(place(right, one), place(right, other)));
        }
        Map<String, Integer> pairs = new HashMap<>();
        if (kind == AnswerKind.PAIRS) {
            for (int i = 0; i < right.size(); i++) {
                for (String end : right.get(i).split("\\s+")) {
                    pairs.putIfAbsent(end, i + 1);
                }
            }
        }
        for (Element choice : choices) {
            String id = choice.getAttribute("identifier");
            ChoiceMark mark = new ChoiceMark(kind.hasRightChoices() && right.contains(id), pairs.getOrDefault(id, 0));
            StringBuilder words = new StringBuilder();
            for (Node child = choice.getFirstChild(); child != null; child = child.getNextSibling()) {
                boolean feedback =
                        child instanceof Element element && QtiXml.name(element).startsWith("qti-feedback");
                words.append(feedback ? "" : child.getTextContent());
            }
            lines.add(new ReadLine(
                    LineTraits.of(LineKind.CHOICE).withMark(mark),
                    words.toString().replaceAll("\\s+", " ").strip()));
            QtiXml.children(choice, "qti-feedback-inline")
                    .map(QtiXml::words)
                    .filter(each -> !each.isEmpty() && !mark.right())
                    .forEach(each -> lines.add(new ReadLine(LineKind.CORRECTION, each)));
            if (kind.hasRightChoices() && !mark.right()) {
                saidAfter.apply(id).forEach(each -> lines.add(new ReadLine(LineKind.CORRECTION, each.words())));
            }
        }
    }

    private static int place(List<String> right, Element choice) {
        int at = right.indexOf(choice.getAttribute("identifier"));
        return at < 0 ? right.size() : at;
    }
}
