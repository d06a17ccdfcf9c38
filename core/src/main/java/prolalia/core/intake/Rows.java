package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import prolalia.core.intake.PageText.Word;

/** Words to fragments: those of one row, cut where a column begins or the next choice stands. */
final class Rows {
    /** Two words in a row belong together up to this gap, in widths of an em; justified rows have some of nearly one. */
    private static final double GAP_EM = 1.7;

    /** After a number or a letter alone, text may stand at a tab stop. */
    private static final double GAP_AFTER_MARKER_EM = 5;

    private static final double SAME_ROW = 0.55;

    private Rows() {}

    static List<Fragment> of(PageText page) {
        List<List<Word>> rows = new ArrayList<>();
        List<Word> sorted = page.words().stream()
                .filter(word -> !word.text().isBlank())
                .sorted(Comparator.comparingDouble(word -> word.area().middleY()))
                .toList();
        for (Word word : sorted) {
            List<Word> row = null;
            for (int i = rows.size() - 1; i >= Math.max(0, rows.size() - 6) && row == null; i--) {
                if (rows.get(i).stream().allMatch(other -> other.area().sharedHeight(word.area()) >= SAME_ROW)) {
                    row = rows.get(i);
                }
            }
            if (row == null) {
                row = new ArrayList<>();
                rows.add(row);
            }
            row.add(word);
        }
        List<Fragment> fragments = new ArrayList<>();
        for (List<Word> row : rows) {
            row.sort(Comparator.comparingDouble(word -> word.area().x()));
            gather(row, page.aspect()).forEach(part -> fragments.addAll(choices(part, page.aspect())));
        }
        return fragments;
    }

    private static List<Fragment> gather(List<Word> row, double aspect) {
        List<Fragment> fragments = new ArrayList<>();
        List<Word> current = new ArrayList<>();
        for (Word word : row) {
            if (!current.isEmpty()) {
                Fragment before = Fragment.of(current, aspect);
                boolean markerAlone = Marker.of(before.text())
                        .filter(marker -> marker.length() >= before.text().length())
                        .isPresent();
                double gap = word.area().x() - before.area().right();
                double most =
                        (markerAlone ? GAP_AFTER_MARKER_EM : GAP_EM) * Math.max(before.em(), word.size() / aspect);
                if (gap > most) {
                    fragments.add(Fragment.of(asRead(current), aspect));
                    current = new ArrayList<>();
                }
            }
            current.add(word);
        }
        fragments.add(Fragment.of(asRead(current), aspect));
        return fragments;
    }

    /** Words that stand beside each other, in the order in which they are read: from the right where most are so written. */
    private static List<Word> asRead(List<Word> fromTheLeft) {
        long letters = fromTheLeft.stream()
                .flatMapToInt(word -> word.text().codePoints())
                .filter(Character::isLetter)
                .count();
        long toTheLeft = fromTheLeft.stream()
                .flatMapToInt(word -> word.text().codePoints())
                .filter(Writing::isToTheLeft)
                .count();
        List<Word> words = new ArrayList<>(fromTheLeft);
        if (toTheLeft * 2 > letters) {
            Collections.reverse(words);
        }
        return words;
    }

    /** Cuts a row with several choices, or a question and its choices, before each of them. */
    static List<Fragment> choices(Fragment fragment, double aspect) {
        List<Integer> at = new ArrayList<>();
        int boxes = 0;
        int expected = 0;
        for (int i = 0; i < fragment.words().size(); i++) {
            Marker marker = Marker.of(rest(fragment, i)).orElse(null);
            if (marker == null || marker.type() == Marker.Type.NUMBER) {
                continue;
            }
            if (marker.type() == Marker.Type.BOX) {
                boxes++;
                at.add(i);
            } else if (expected == 0 && i == 0 || marker.ordinal() == (expected == 0 ? 1 : expected)) {
                expected = marker.ordinal() + 1;
                at.add(i);
            }
        }
        return at.size() - boxes >= 2 || boxes >= 2 ? fragment.cutBefore(at, aspect) : List.of(fragment);
    }

    private static String rest(Fragment fragment, int from) {
        StringBuilder text = new StringBuilder();
        for (Word word :
                fragment.words().subList(from, Math.min(fragment.words().size(), from + 4))) {
            text.append(text.isEmpty() ? "" : " ").append(word.text());
        }
        return text.toString();
    }
}
