package prolalia.core.script;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;

/**
 * Reads lines out of pasted text, by the way it is set.
 *
 * <pre>{@code
 * PastedScript.read("1. Which part comes first?\n a) the root\n b) the leaf");
 * // QUESTION "Which part comes first?", CHOICE "the root", CHOICE "the leaf"
 * }</pre>
 *
 * <ul>
 *   <li>a numbered line (1. 1) (1) Q1:) is a question; lettered ones under it (a. a) (A)) are its choices, also when
 *       several stand on one line;
 *   <li>a line with a bullet (• - * – ☐) is a direction, or a choice when it stands under a question;
 *   <li>anything else is a passage, its wrapped lines joined; an empty line ends it. A passage that ends in a question
 *       mark and has choices under it is a question.
 * </ul>
 *
 * <p>Stateless and thread-safe.
 */
public final class PastedScript {
    private static final Pattern QUESTION =
            Pattern.compile("^\\s*(?:[Qq](?:uestion)?\\s*)?\\(?\\d{1,4}[.):]\\)?\\s+(\\S.*)$");
    private static final Pattern CHOICE = Pattern.compile("^\\s*\\(?([A-Ha-h])[.)]\\s+(\\S.*)$");
    private static final Pattern NEXT_CHOICE_ON_LINE = Pattern.compile("\\s{2,}\\(?([B-Hb-h])[.)]\\s+");
    private static final Pattern BULLET = Pattern.compile("^\\s*(?:[•◦▪●○☐□]|[-*–—](?=\\s))\\s*(\\S.*)$");

    private PastedScript() {}

    /**
     * A line that was understood.
     *
     * @param kind what it is taken for
     * @param words without number, letter or bullet
     */
    public record ReadLine(LineTraits traits, String words) {
        public ReadLine(LineKind kind, String words) {
            this(LineTraits.of(kind), words);
        }

        public LineKind kind() {
            return traits.kind();
        }
    }

    /** The lines in order; empty when there is no text. */
    public static List<ReadLine> read(String pasted) {
        List<ReadLine> lines = new ArrayList<>();
        boolean open = false;
        for (String raw : pasted.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1)) {
            if (raw.isBlank()) {
                open = false;
                continue;
            }
            Matcher question = QUESTION.matcher(raw);
            Matcher bullet = BULLET.matcher(raw);
            if (question.matches()) {
                addWithChoices(LineKind.QUESTION, question.group(1), lines);
                open = true;
            } else if (CHOICE.matcher(raw).matches() && followsQuestion(lines)) {
                makeQuestion(lines);
                addWithChoices(LineKind.CHOICE, raw, lines);
                open = true;
            } else if (bullet.matches()) {
                boolean choice = open && followsQuestion(lines);
                lines.add(new ReadLine(choice ? LineKind.CHOICE : LineKind.DIRECTION, tidy(bullet.group(1))));
                open = choice;
            } else if (open) {
                ReadLine last = lines.remove(lines.size() - 1);
                lines.add(new ReadLine(last.kind(), last.words() + " " + tidy(raw)));
            } else {
                lines.add(new ReadLine(LineKind.PASSAGE, tidy(raw)));
                open = true;
            }
        }
        return List.copyOf(lines);
    }

    /** Adds a line, and the further choices that stand on the same line after wide gaps. */
    private static void addWithChoices(LineKind kind, String text, List<ReadLine> lines) {
        Matcher first = CHOICE.matcher(text);
        String rest = kind == LineKind.CHOICE && first.matches() ? first.group(2) : text;
        String[] parts = NEXT_CHOICE_ON_LINE.split(rest);
        lines.add(new ReadLine(kind, tidy(parts[0])));
        for (int i = 1; i < parts.length; i++) {
            lines.add(new ReadLine(LineKind.CHOICE, tidy(parts[i])));
        }
    }

    private static boolean followsQuestion(List<ReadLine> lines) {
        if (lines.isEmpty()) {
            return false;
        }
        ReadLine last = lines.get(lines.size() - 1);
        return last.kind() == LineKind.QUESTION
                || last.kind() == LineKind.CHOICE
                || last.kind() == LineKind.PASSAGE && last.words().matches(".*[?？:؟]$");
    }

    private static void makeQuestion(List<ReadLine> lines) {
        ReadLine last = lines.get(lines.size() - 1);
        if (last.kind() == LineKind.PASSAGE) {
            lines.set(lines.size() - 1, new ReadLine(LineKind.QUESTION, last.words()));
        }
    }

    private static String tidy(String text) {
        return text.strip().replaceAll("\\s+", " ");
    }
}
