package prolalia.core.script;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;

/**
 * Reads lines out of pasted text, by the way it is set.
 *
 * <pre>{@code
 * PastedScript.read("1. Which part comes first?\n a) the root\n b) the leaf");
 * // QUESTION 1. "Which part comes first?", CHOICE a) "the root", CHOICE b) "the leaf"
 * }</pre>
 *
 * <ul>
 *   <li>a numbered line (1. 1) (1) Q1:) is a question; lettered ones under it (a. a) (A)) are its choices, also when
 *       several stand on one line;
 *   <li>a line with a bullet (• - * – ☐) is a direction, or a choice when it stands under a question;
 *   <li>a line that says so ("Directions: …") is a direction;
 *   <li>anything else is a passage, its wrapped lines joined: a row goes on in the next one when it ends in no sentence, and
 *       has no room for the next word. An empty line ends it. A passage that ends in a question mark and has choices under it
 *       is a question.
 * </ul>
 *
 * <p>Stateless and thread-safe.
 */
public final class PastedScript {
    private static final Pattern QUESTION =
            Pattern.compile("^\\s*((?:[Qq](?:uestion)?\\s*)?\\(?\\d{1,4}[.):]\\)?)\\s+(\\S.*)$");
    private static final Pattern CHOICE = Pattern.compile("^\\s*(\\(?(?<letter>\\p{L})[.)])\\s+(?<words>\\S.*)$");
    private static final Pattern NEXT_CHOICE_ON_LINE = Pattern.compile("\\s{2,}(?=\\(?\\p{L}[.)]\\s+)");

    /** Of the Latin alphabet, others than these name a choice only right after the one before: an I may be somebody's. */
    private static final String FIRST_LETTERS = "abcdefgh";

    private static final Pattern BULLET = Pattern.compile("^\\s*(?:[•◦▪●○☐□]|[-*–—](?=\\s))\\s*(\\S.*)$");

    private static final Pattern DIRECTION = Pattern.compile(
            "^\\s*(?:directions?|instructions?|anweisung(?:en)?|consignes?|instrucci(?:\u00f3n|ones))\\s*:\\s*\\S.*",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    private static final Pattern SENTENCE = Pattern.compile(".*[.!?:\u2026\u3002][\"'\u2019\u201d)\\]]*\\s*$");

    /** Rows of letters of different widths end at different places: so much of the longest is as far as they go. */
    private static final double FULL = 0.75;

    private PastedScript() {}

    /** Whether a text is called a direction by whoever wrote it. */
    public static boolean saysItIsADirection(String text) {
        return DIRECTION.matcher(text).matches();
    }

    /**
     * A line that was understood.
     *
     * @param traits what it is taken for, and its number or letter
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
        return read(pasted, true);
    }

    /** The lines in order, one for each that isn't empty: none is taken for the wrapped rest of the one before it. */
    public static List<ReadLine> readEach(String pasted) {
        return read(pasted, false);
    }

    private static List<ReadLine> read(String pasted, boolean wrapped) {
        List<ReadLine> lines = new ArrayList<>();
        boolean open = false;
        int longest = pasted.lines().mapToInt(row -> row.strip().length()).max().orElse(0);
        String before = "";
        for (String raw : pasted.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1)) {
            if (raw.isBlank()) {
                open = false;
                continue;
            }
            Matcher question = QUESTION.matcher(raw);
            Matcher bullet = BULLET.matcher(raw);
            if (question.matches()) {
                addWithChoices(LineTraits.of(LineKind.QUESTION).withLabel(question.group(1)), question.group(2), lines);
                open = true;
            } else if (followsQuestion(lines) && isChoice(raw, lines.get(lines.size() - 1))) {
                makeQuestion(lines);
                addChoices(raw, lines);
                open = true;
            } else if (bullet.matches()) {
                boolean choice = open && followsQuestion(lines);
                lines.add(new ReadLine(choice ? LineKind.CHOICE : LineKind.DIRECTION, tidy(bullet.group(1))));
                open = choice;
            } else if (saysItIsADirection(raw)) {
                lines.add(new ReadLine(LineKind.DIRECTION, tidy(raw)));
                open = true;
            } else if (open && wrapped && goesOn(before, raw, longest)) {
                ReadLine last = lines.remove(lines.size() - 1);
                lines.add(new ReadLine(last.traits(), last.words() + " " + tidy(raw)));
            } else {
                lines.add(new ReadLine(LineKind.PASSAGE, tidy(raw)));
                open = true;
            }
            before = raw;
        }
        return List.copyOf(lines);
    }

    /** Whether a row was broken because the next word had no room. */
    private static boolean goesOn(String row, String next, int longest) {
        int withNextWord =
                row.strip().length() + 1 + next.strip().split("\\s+", 2)[0].length();
        boolean begins = Character.isLowerCase(next.strip().codePointAt(0));
        return begins || !SENTENCE.matcher(row).matches() && withNextWord >= FULL * longest;
    }

    /** Adds a line, and the choices that stand on the same line after wide gaps. */
    private static void addWithChoices(LineTraits traits, String text, List<ReadLine> lines) {
        String[] parts = NEXT_CHOICE_ON_LINE.split(text, 2);
        lines.add(new ReadLine(traits, tidy(parts[0])));
        if (parts.length > 1) {
            addChoices(parts[1], lines);
        }
    }

    private static void addChoices(String text, List<ReadLine> lines) {
        for (String part : NEXT_CHOICE_ON_LINE.split(text)) {
            Matcher choice = CHOICE.matcher(part);
            if (choice.matches()) {
                lines.add(new ReadLine(
                        LineTraits.of(LineKind.CHOICE).withLabel(choice.group(1)), tidy(choice.group("words"))));
            }
        }
    }

    private static boolean isChoice(String raw, ReadLine last) {
        Matcher choice = CHOICE.matcher(raw);
        if (!choice.matches()) {
            return false;
        }
        int letter = Character.toLowerCase(choice.group("letter").codePointAt(0));
        boolean latin = Character.UnicodeScript.of(letter) == Character.UnicodeScript.LATIN;
        return !latin
                || FIRST_LETTERS.indexOf(letter) >= 0
                || letterOf(last.traits().label()) == letter - 1;
    }

    /** The letter of a choice, in lower case; 0 when there is none. */
    static int letterOf(String label) {
        return label == null
                ? 0
                : label.toLowerCase(Locale.ROOT)
                        .codePoints()
                        .filter(Character::isLetter)
                        .findFirst()
                        .orElse(0);
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
