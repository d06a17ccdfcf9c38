package prolalia.formats.questions;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.KeyText;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.Question;
import prolalia.core.answer.TextRule;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadForm;
import prolalia.core.script.ReadForm.Kind;
import prolalia.core.script.ReadForm.RowFinding;
import prolalia.formats.table.Table;

/**
 * Questions from a table whose columns are known by their headings: {@code question}, and as wanted {@code kind}, {@code points},
 * {@code answer}, choices ({@code a}, {@code b}, … or {@code choice 1}, …, or {@code choices} with strokes between them),
 * {@code hint}, {@code praise}, {@code correction}. The answer is letters, numbers or words of choices; or what is right itself.
 */
public final class QuestionTable {
    public static final int MOST_ROWS = 2_000;

    private static final Set<String> QUESTION =
            Set.of("question", "questions", "prompt", "stem", "text", "frage", "item", "pregunta");
    private static final Set<String> KIND = Set.of("kind", "type", "art", "typ");
    private static final Set<String> POINTS = Set.of("points", "score", "marks", "punkte", "worth");
    private static final Set<String> ANSWER = Set.of(
            "answer",
            "correct",
            "right",
            "key",
            "solution",
            "correct answer",
            "right answer",
            "antwort",
            "richtig",
            "l\u00f6sung",
            "answers",
            "correct answers");
    private static final Set<String> CHOICES = Set.of("choices", "options", "auswahl");
    private static final Set<String> HINT = Set.of("hint", "tip", "hinweis", "tipp");
    private static final Set<String> PRAISE = Set.of("praise", "right feedback", "correct feedback", "lob");
    private static final Set<String> CORRECTION =
            Set.of("correction", "wrong feedback", "incorrect feedback", "feedback", "korrektur");
    private static final Set<String> NUMBERED = Set.of("no", "no.", "nr", "nr.", "number", "id", "#");
    private static final Pattern CHOICE =
            Pattern.compile("(?:choice|option|answer|antwort|auswahl)?\\s*([a-z]|[0-9]{1,3})");
    private static final Pattern BETWEEN = Pattern.compile("\\s*[|\\n]\\s*|\\s*;\\s*|\\s+/\\s+");

    private static final Map<String, AnswerKind> KINDS = kinds();

    private final List<ReadLine> lines = new ArrayList<>();
    private final List<RowFinding> findings = new ArrayList<>();
    private final Map<String, Integer> columns = new LinkedHashMap<>();
    private final Map<String, Integer> choiceColumns = new TreeMap<>();

    private QuestionTable() {}

    private static Map<String, AnswerKind> kinds() {
        Map<String, AnswerKind> kinds = new LinkedHashMap<>();
        for (AnswerKind kind : AnswerKind.values()) {
            kinds.put(kind.name().toLowerCase(Locale.ROOT).replace('_', ' '), kind);
        }
        kinds.putAll(Map.of(
                "choice", AnswerKind.ONE_CHOICE,
                "single choice", AnswerKind.ONE_CHOICE,
                "multiple choice", AnswerKind.ONE_CHOICE,
                "multiple answers", AnswerKind.SEVERAL_CHOICES,
                "short answer", AnswerKind.SHORT_WORDS,
                "words", AnswerKind.SHORT_WORDS,
                "open", AnswerKind.LONG_TEXT,
                "write", AnswerKind.LONG_TEXT,
                "say", AnswerKind.SPOKEN,
                "draw", AnswerKind.DRAWING));
        return kinds;
    }

    /** @throws IOException when it is no table */
    public static ReadForm read(byte[] file) throws IOException {
        QuestionTable table = new QuestionTable();
        try {
            table.read(Table.read(file, MOST_ROWS).rows());
        } catch (Table.TooManyRowsException many) {
            return new ReadForm(List.of(), List.of(new RowFinding(0, Kind.TOO_MANY, String.valueOf(MOST_ROWS))));
        }
        return new ReadForm(table.lines, table.findings);
    }

    private void read(List<List<String>> rows) {
        if (rows.isEmpty()) {
            find(0, Kind.NO_QUESTION_COLUMN, "");
            return;
        }
        head(rows.get(0));
        if (!columns.containsKey("question")) {
            find(1, Kind.NO_QUESTION_COLUMN, String.join(", ", rows.get(0)));
            return;
        }
        for (int i = 1; i < rows.size(); i++) {
            row(i + 1, rows.get(i));
        }
    }

    private void head(List<String> cells) {
        for (int at = 0; at < cells.size(); at++) {
            String name = cells.get(at).strip().toLowerCase(Locale.ROOT).replaceAll("[_\\s]+", " ");
            Optional<String> known = known(name);
            if (known.isPresent() && !columns.containsKey(known.get())) {
                columns.put(known.get(), at);
            } else if (CHOICE.matcher(name).matches()) {
                String which = name.replaceAll(".*?([a-z]|[0-9]{1,3})$", "$1");
                choiceColumns.put(
                        which.matches("[0-9]+") ? String.format(Locale.ROOT, "%03d", Integer.parseInt(which)) : which,
                        at);
            } else if (!NUMBERED.contains(name) && !name.isEmpty()) {
                find(1, Kind.UNKNOWN_COLUMN, cells.get(at).strip());
            }
        }
    }

    private static Optional<String> known(String name) {
        return Map.of(
                        "question", QUESTION,
                        "kind", KIND,
                        "points", POINTS,
                        "answer", ANSWER,
                        "choices", CHOICES,
                        "hint", HINT,
                        "praise", PRAISE,
                        "correction", CORRECTION)
                .entrySet()
                .stream()
                .filter(entry -> entry.getValue().contains(name))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private void find(int row, Kind kind, String detail) {
        findings.add(new RowFinding(row, kind, detail));
    }

    private static String cell(List<String> row, Integer column) {
        return column == null || column >= row.size() ? "" : row.get(column).strip();
    }

    private void row(int number, List<String> row) {
        String words = cell(row, columns.get("question"));
        if (words.isEmpty()) {
            find(number, Kind.NO_QUESTION, "");
            return;
        }
        if (row.stream().anyMatch(cell -> cell.length() > LessonLimits.LONGEST_WORDS)) {
            find(number, Kind.TOO_LONG, "");
            return;
        }
        List<String> choices = choices(row);
        String answer = cell(row, columns.get("answer"));
        Set<Integer> right = right(choices, answer);
        Question question = question(number, cell(row, columns.get("kind")), choices, answer, right);
        question = question.withPoints(points(cell(row, columns.get("points"))));
        lines.add(new ReadLine(LineTraits.of(LineKind.QUESTION).withQuestion(question), words));
        boolean chosen = question.kind().hasRightChoices();
        boolean pairs = question.kind() == AnswerKind.PAIRS;
        for (int i = 0; i < choices.size(); i++) {
            if (pairs) {
                pair(choices.get(i), i + 1);
            } else {
                lines.add(new ReadLine(
                        LineTraits.of(LineKind.CHOICE)
                                .withLabel(choices.size() <= 26 ? (char) ('a' + i) + ")" : null)
                                .withMark(new ChoiceMark(chosen && right.contains(i), 0)),
                        choices.get(i)));
            }
        }
        add(LineKind.HINT, cell(row, columns.get("hint")));
        add(LineKind.PRAISE, cell(row, columns.get("praise")));
        add(LineKind.CORRECTION, cell(row, columns.get("correction")));
        check(number, choices, answer, right, question);
    }

    private void pair(String choice, int number) {
        for (String end : choice.split("\\s*=\\s*", 2)) {
            lines.add(new ReadLine(LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(false, number)), end));
        }
    }

    private void add(LineKind kind, String words) {
        if (!words.isEmpty()) {
            lines.add(new ReadLine(kind, words));
        }
    }

    private List<String> choices(List<String> row) {
        List<String> choices = new ArrayList<>();
        choiceColumns.values().forEach(column -> choices.add(cell(row, column)));
        String all = cell(row, columns.get("choices"));
        if (!all.isEmpty()) {
            choices.addAll(Arrays.asList(BETWEEN.split(all)));
        }
        choices.removeIf(String::isEmpty);
        return choices;
    }

    private static int points(String cell) {
        return cell.matches("[0-9]{1,3}") ? Integer.parseInt(cell) : 1;
    }

    /** Which choices are right: by their words, letters or numbers. */
    private static Set<Integer> right(List<String> choices, String answer) {
        Set<Integer> right = new LinkedHashSet<>();
        if (choices.isEmpty() || answer.isEmpty()) {
            return right;
        }
        int whole = indexOf(choices, answer);
        if (whole >= 0) {
            return Set.of(whole);
        }
        for (String part : answer.split("\\s*[|;,&\\n]\\s*|\\s+/\\s+|\\s+")) {
            int at = part.matches("\\(?[A-Za-z][.)]?")
                    ? Character.toLowerCase(part.replaceAll("[^A-Za-z]", "").charAt(0)) - 'a'
                    : part.matches("[0-9]{1,3}") ? Integer.parseInt(part) - 1 : indexOf(choices, part);
            if (at < 0 || at >= choices.size()) {
                return words(choices, answer);
            }
            right.add(at);
        }
        return right;
    }

    private static Set<Integer> words(List<String> choices, String answer) {
        Set<Integer> right = new LinkedHashSet<>();
        for (String part : answer.split("\\s*[|;\\n]\\s*")) {
            int at = indexOf(choices, part);
            if (at < 0) {
                return Set.of();
            }
            right.add(at);
        }
        return right;
    }

    private static int indexOf(List<String> choices, String words) {
        for (int i = 0; i < choices.size(); i++) {
            if (TextRule.USUAL.areSame(choices.get(i), words)) {
                return i;
            }
        }
        return -1;
    }

    private Question question(int number, String kind, List<String> choices, String answer, Set<Integer> right) {
        AnswerKind wanted = KINDS.get(kind.toLowerCase(Locale.ROOT).replaceAll("[_-]+", " "));
        if (!kind.isEmpty() && wanted == null) {
            find(number, Kind.UNKNOWN_KIND, kind);
        }
        Optional<NumberKey> value = answer.isEmpty() ? Optional.empty() : KeyText.number(answer);
        if (wanted == null) {
            wanted = !choices.isEmpty()
                    ? right.size() > 1 ? AnswerKind.SEVERAL_CHOICES : AnswerKind.ONE_CHOICE
                    : answer.isEmpty()
                            ? AnswerKind.LONG_TEXT
                            : value.isPresent() ? AnswerKind.NUMBER : AnswerKind.SHORT_WORDS;
        }
        if (wanted == AnswerKind.ONE_CHOICE && right.size() > 1) {
            wanted = AnswerKind.SEVERAL_CHOICES;
        }
        Question question = Question.of(wanted);
        if (wanted == AnswerKind.SHORT_WORDS) {
            return question.withAccepted(Arrays.asList(BETWEEN.split(answer)));
        }
        if (wanted == AnswerKind.NUMBER) {
            if (value.isEmpty() && !answer.isEmpty()) {
                find(number, Kind.NO_NUMBER, answer);
            }
            return question.withNumber(value.orElse(null));
        }
        return question;
    }

    private void check(int number, List<String> choices, String answer, Set<Integer> right, Question question) {
        if (question.kind().hasRightChoices() && right.isEmpty()) {
            find(number, answer.isEmpty() ? Kind.NO_RIGHT_ANSWER : Kind.RIGHT_NOT_THERE, answer);
        } else if (question.kind().isTyped() && question.kind().isMarkedByRule() && answer.isEmpty()) {
            find(number, Kind.NO_RIGHT_ANSWER, "");
        }
        Set<String> met = new HashSet<>();
        Set<String> twice = choices.stream()
                .filter(choice -> !met.add(TextRule.USUAL.plain(choice)))
                .collect(Collectors.toSet());
        if (!twice.isEmpty()) {
            find(number, Kind.EQUAL_CHOICES, String.join(", ", twice));
        }
    }
}
