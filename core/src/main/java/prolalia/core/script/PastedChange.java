package prolalia.core.script;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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

    private static final Pattern NAME = Pattern.compile("([0-9a-f]{1,8})-(\\d{1,6})");
    private static final int HEXADECIMAL = 16;

    /** More are not read. */
    public static final int MOST = 1_000;

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

    /** By which name a change means each of the lines: the hash of its words, and the how manieth with these words it is. */
    public static List<String> names(List<ReadLine> lines) {
        Map<Integer, Integer> times = new HashMap<>();
        return lines.stream()
                .map(line -> line.words().hashCode())
                .map(hash -> Integer.toHexString(hash) + "-" + times.merge(hash, 1, Integer::sum))
                .toList();
    }

    static List<PastedDraft> all(List<PastedChange> changes, List<PastedDraft> drafts) {
        List<PastedDraft> changed = new ArrayList<>(drafts);
        for (PastedChange change : changes) {
            int at = change.find(changed);
            if (at >= 0) {
                change.make(at, changed);
            }
        }
        return changed;
    }

    /** @return where the line is that it means; -1: it isn't there any more */
    private int find(List<PastedDraft> drafts) {
        Matcher name = NAME.matcher(at);
        if (!name.matches()) {
            return -1;
        }
        int hash = Integer.parseUnsignedInt(name.group(1), HEXADECIMAL);
        int times = Integer.parseInt(name.group(2));
        for (int i = 0; i < drafts.size(); i++) {
            if (drafts.get(i).words().hashCode() == hash && --times == 0) {
                return i;
            }
        }
        return -1;
    }

    private void make(int at, List<PastedDraft> drafts) {
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
            }
            case CUT -> {
                List<String> words = List.of(draft.words().split(" "));
                int front = value.matches("\\d{1,6}") ? Integer.parseInt(value) : 0;
                if (front > 0 && front < words.size()) {
                    drafts.set(at, draft.withWords(String.join(" ", words.subList(0, front))));
                    drafts.add(at + 1, draft.rest(String.join(" ", words.subList(front, words.size()))));
                }
            }
        }
    }

    private static <E extends Enum<E>> Optional<E> constant(E[] all, String name) {
        return Stream.of(all).filter(each -> each.name().equals(name)).findFirst();
    }
}
