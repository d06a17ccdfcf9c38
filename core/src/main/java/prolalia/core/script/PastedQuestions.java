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
import prolalia.core.answer.KeyText;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LineKind;
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
        return read(pasted, List.of());
    }

    /**
     * @param changes what whoever looked the lines over changed, in order; those that meet no line are passed over
     * @return the lines, by which the next change names them with {@link PastedChange#names}
     */
    public static List<ReadLine> read(String pasted, List<PastedChange> changes) {
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
        return lines(PastedChange.all(changes, drafts(PastedScript.read(text), key)));
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

    private static List<PastedDraft> drafts(List<ReadLine> read, Map<Integer, String> key) {
        List<PastedDraft> drafts = new ArrayList<>();
        String told = null;
        for (ReadLine line : read) {
            String words = line.words().replace(STAR, "").strip();
            if (line.kind() == LineKind.QUESTION) {
                told = key.get(numberOf(line.traits().label()));
                drafts.add(new PastedDraft(line.traits(), words, false, told, null));
            } else if (line.kind() == LineKind.CHOICE) {
                boolean right = line.words().endsWith(STAR) || told != null && isTold(line, words, told);
                drafts.add(new PastedDraft(line.traits(), words, right, null, null));
            } else {
                drafts.add(new PastedDraft(line.traits(), words, false, null, null));
            }
        }
        return drafts;
    }

    private static boolean isTold(ReadLine choice, String words, String told) {
        Set<Integer> letters = letters(told);
        return letters.contains(PastedScript.letterOf(choice.traits().label()))
                || letters.isEmpty() && words.equalsIgnoreCase(told);
    }

    private static List<ReadLine> lines(List<PastedDraft> drafts) {
        List<ReadLine> lines = new ArrayList<>();
        for (int at = 0; at < drafts.size(); ) {
            PastedDraft draft = drafts.get(at++);
            if (draft.kind() != LineKind.QUESTION) {
                lines.add(draft.line());
                continue;
            }
            int to = at;
            while (to < drafts.size() && drafts.get(to).kind() == LineKind.CHOICE) {
                to++;
            }
            lines.addAll(question(draft, drafts.subList(at, to)));
            at = to;
        }
        return List.copyOf(lines);
    }

    private static List<ReadLine> question(PastedDraft draft, List<PastedDraft> choices) {
        long right = choices.stream().filter(PastedDraft::right).count();
        Question question = null;
        if (draft.answered() != null) {
            question = draft.answered().map(Question::of).orElse(null);
        } else if (right > 0 || choices.size() > 1) {
            question = Question.of(right > 1 ? AnswerKind.SEVERAL_CHOICES : AnswerKind.ONE_CHOICE);
        } else if (choices.isEmpty() && draft.told() != null) {
            question = worded(draft.told());
        }
        List<ReadLine> lines = new ArrayList<>();
        lines.add(new ReadLine(draft.traits().withQuestion(question), draft.words()));
        choices.forEach(choice -> lines.add(choice.line()));
        return lines;
    }

    private static Question worded(String told) {
        return KeyText.number(told)
                .map(number -> Question.of(AnswerKind.NUMBER).withNumber(number))
                .orElseGet(() -> Question.of(AnswerKind.SHORT_WORDS).withAccepted(KeyText.accepted(told)));
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
