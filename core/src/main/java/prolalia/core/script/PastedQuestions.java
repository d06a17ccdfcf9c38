package prolalia.core.script;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.KeyText;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * Reads pasted text as {@link PastedScript} does, and makes questions that are answered of those that have choices, or whose right
 * answer is told: by a star before or after a choice, or by a key at the end.
 *
 * <pre>{@code
 * PastedQuestions.read("1. Which one swims?\n a) the cat\n*b) the cod\n2. How many fins?\nAnswers: 2. 7");
 * // 1: one choice, b) is right; 2: a number, 7
 * }</pre>
 *
 * <p>Text without any is read as it always was. Stateless and thread-safe.
 */
public final class PastedQuestions {
    /** Stands for a star while lines are read; no text has it (Unicode: private use). */
    private static final String STAR = "\ue0a1";

    private static final Pattern STARRED_CHOICE =
            Pattern.compile("(?m)^(\\s*)[*\u2713\u2714]\\s*(\\(?\\p{L}[.)]\\s+\\S.*?)\\s*$");
    private static final Pattern CHOICE_STARRED =
            Pattern.compile("(?m)^(\\s*\\(?\\p{L}[.)]\\s+\\S.*?)\\s*[*\u2713\u2714]\\s*$");

    /** A key begins with a word of its own; its entries are on that line, or on those after it. */
    private static final Pattern KEY = Pattern.compile(
            "(?im)^[ \\t#*]*(?:answers?|answer key|key|solutions?|l\u00f6sung(?:en)?|r\u00e9ponses?|respuestas?|corrig\u00e9)[ \\t*]*:?[ \\t]*$|(?im)^[ \\t]*(?:answers?|answer key|key|solutions?|l\u00f6sung(?:en)?|r\u00e9ponses?|respuestas?|corrig\u00e9)[ \\t]*:[ \\t]*(?=\\S)");

    private static final Pattern ENTRY = Pattern.compile(
            "(?:^|[\\s,;])\\(?(\\d{1,4})[.):]?\\s*(?:[-=:]\\s*)?(\\p{L}(?:\\s*[,+&/]\\s*\\p{L})*)\\)?(?=$|[\\s,;.])");
    private static final Pattern WORDED_ENTRY = Pattern.compile("^\\s*\\(?(\\d{1,4})[.):]\\)?\\s+(\\S.*?)\\s*$");

    private PastedQuestions() {}

    public static List<ReadLine> read(String pasted) {
        String text = pasted.replace(STAR, "").replace("\r\n", "\n").replace('\r', '\n');
        Map<Integer, String> key = new HashMap<>();
        Matcher begins = KEY.matcher(text);
        int at = -1;
        while (begins.find()) {
            at = begins.start();
        }
        if (at > 0) {
            begins.find(at);
            Map<Integer, String> told = key(text.substring(begins.end()));
            if (!told.isEmpty()) {
                key = told;
                text = text.substring(0, at);
            }
        }
        text = STARRED_CHOICE.matcher(text).replaceAll("$1$2 " + STAR);
        text = CHOICE_STARRED.matcher(text).replaceAll("$1 " + STAR);
        return marked(PastedScript.read(text), key);
    }

    private static Map<Integer, String> key(String text) {
        Map<Integer, String> key = new HashMap<>();
        for (String row : text.split("\n")) {
            Matcher entries = ENTRY.matcher(row);
            Set<Integer> lettered = new HashSet<>();
            while (entries.find()) {
                int number = Integer.parseInt(entries.group(1));
                lettered.add(number);
                key.put(number, entries.group(2));
            }
            Matcher worded = WORDED_ENTRY.matcher(row);
            if (lettered.isEmpty() && worded.matches()) {
                key.put(Integer.parseInt(worded.group(1)), worded.group(2));
            }
        }
        return key;
    }

    private static List<ReadLine> marked(List<ReadLine> read, Map<Integer, String> key) {
        List<ReadLine> marked = new ArrayList<>();
        for (int at = 0; at < read.size(); ) {
            ReadLine line = read.get(at++);
            if (line.kind() != LineKind.QUESTION) {
                marked.add(plain(line));
                continue;
            }
            List<ReadLine> choices = new ArrayList<>();
            while (at < read.size() && read.get(at).kind() == LineKind.CHOICE) {
                choices.add(read.get(at++));
            }
            marked.addAll(question(line, choices, key.get(numberOf(line.traits().label()))));
        }
        return List.copyOf(marked);
    }

    private static List<ReadLine> question(ReadLine line, List<ReadLine> choices, String told) {
        List<ReadLine> marked = new ArrayList<>();
        Set<Integer> letters = told == null || choices.isEmpty() ? Set.of() : letters(told);
        int right = 0;
        for (ReadLine choice : choices) {
            boolean isRight = choice.words().endsWith(STAR)
                    || letters.contains(PastedScript.letterOf(choice.traits().label()))
                    || told != null
                            && letters.isEmpty()
                            && plain(choice).words().equalsIgnoreCase(told);
            right += isRight ? 1 : 0;
            ReadLine plain = plain(choice);
            marked.add(isRight ? new ReadLine(plain.traits().withMark(new ChoiceMark(true, 0)), plain.words()) : plain);
        }
        LineTraits traits = line.traits();
        if (right > 0 || choices.size() > 1) {
            traits = traits.withQuestion(Question.of(right > 1 ? AnswerKind.SEVERAL_CHOICES : AnswerKind.ONE_CHOICE));
        } else if (choices.isEmpty() && told != null) {
            traits = traits.withQuestion(worded(told));
        }
        marked.add(0, new ReadLine(traits, plain(line).words()));
        return marked;
    }

    private static Question worded(String told) {
        return KeyText.number(told)
                .map(number -> Question.of(AnswerKind.NUMBER).withNumber(number))
                .orElseGet(() -> Question.of(AnswerKind.SHORT_WORDS).withAccepted(KeyText.accepted(told)));
    }

    private static ReadLine plain(ReadLine line) {
        return new ReadLine(line.traits(), line.words().replace(STAR, "").strip());
    }

    private static Set<Integer> letters(String told) {
        return told.matches("\\p{L}(?:\\s*[,+&/]\\s*\\p{L})*")
                ? told.toLowerCase(Locale.ROOT)
                        .codePoints()
                        .filter(Character::isLetter)
                        .boxed()
                        .collect(Collectors.toSet())
                : Set.of();
    }

    private static int numberOf(String label) {
        String digits = label == null ? "" : label.replaceAll("[^0-9]", "");
        return digits.isEmpty() ? -1 : Integer.parseInt(digits);
    }
}
