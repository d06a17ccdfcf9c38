package prolalia.core.script;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import prolalia.core.answer.AnswerKind;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * What somebody changes in lines that were read out of pasted text, before they are taken. A line is named by its words, so that
 * a change still meets it when the text around it is changed.
 *
 * @param at the name of the line, see {@link #names}
 * @param value KIND: a {@link LineKind}; CUT: how many words stay in front; ANSWERED: an {@link AnswerKind}, or nothing when the
 *     question is only heard; otherwise nothing
 */
public record PastedChange(Deed deed, String at, String value) {
    public enum Deed {
        KIND,
        /** With the line before it. */
        JOIN,
        CUT,
        /** A choice becomes right, or isn't right any more. */
        RIGHT,
        ANSWERED
    }

    /** More are not read. */
    public static final int MOST = 5_000;

    /** One in a row: "deed name value"; what isn't one is passed over. */
    public static List<PastedChange> read(String rows) {
        return rows.lines().limit(MOST).flatMap(PastedChange::one).toList();
    }

    private static Stream<PastedChange> one(String row) {
        String[] parts = row.strip().split(" ", 3);
        for (Deed deed : Deed.values()) {
            if (parts.length > 1 && deed.name().equals(parts[0])) {
                return Stream.of(new PastedChange(deed, parts[1], parts.length > 2 ? parts[2] : ""));
            }
        }
        return Stream.empty();
    }

    /** By which name a change means each of the lines. */
    public static List<String> names(List<ReadLine> lines) {
        return named(lines.stream().map(ReadLine::words).toList());
    }

    private static List<String> named(List<String> lines) {
        Map<String, Integer> times = new HashMap<>();
        return lines.stream()
                .map(words -> Integer.toHexString(words.hashCode()))
                .map(name -> name + "-" + times.merge(name, 1, Integer::sum))
                .toList();
    }

    static List<PastedDraft> all(List<PastedChange> changes, List<PastedDraft> drafts) {
        List<PastedDraft> changed = new ArrayList<>(drafts);
        List<String> names = named(words(changed));
        for (PastedChange change : changes) {
            int at = names.indexOf(change.at());
            if (at >= 0) {
                boolean sameWords = change.make(at, changed);
                names = sameWords ? names : named(words(changed));
            }
        }
        return changed;
    }

    private static List<String> words(List<PastedDraft> drafts) {
        return drafts.stream().map(PastedDraft::words).toList();
    }

    /** @return whether each line has the words it had */
    private boolean make(int at, List<PastedDraft> drafts) {
        PastedDraft draft = drafts.get(at);
        switch (deed) {
            case KIND -> constant(LineKind.values(), value).ifPresent(kind -> drafts.set(at, draft.withKind(kind)));
            case RIGHT -> drafts.set(at, draft.withRight(!draft.right()));
            case ANSWERED -> {
                Optional<AnswerKind> kind = constant(AnswerKind.values(), value);
                if (kind.isPresent() || value.isEmpty()) {
                    drafts.set(at, draft.withAnswered(kind));
                }
            }
            case JOIN -> {
                if (at > 0) {
                    PastedDraft before = drafts.get(at - 1);
                    drafts.remove(at);
                    drafts.set(at - 1, before.withWords(before.words() + " " + draft.words()));
                }
                return false;
            }
            case CUT -> {
                String[] words = draft.words().split(" ");
                int front = value.matches("\\d{1,6}") ? Integer.parseInt(value) : 0;
                if (front > 0 && front < words.length) {
                    List<String> all = List.of(words);
                    drafts.set(at, draft.withWords(String.join(" ", all.subList(0, front))));
                    drafts.add(at + 1, draft.rest(String.join(" ", all.subList(front, all.size()))));
                }
                return false;
            }
        }
        return true;
    }

    private static <E extends Enum<E>> Optional<E> constant(E[] all, String name) {
        return Stream.of(all).filter(each -> each.name().equals(name)).findFirst();
    }
}
