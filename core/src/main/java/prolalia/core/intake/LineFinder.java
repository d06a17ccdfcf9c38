package prolalia.core.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import prolalia.core.intake.PageText.Word;

/** Finds the lines of a paper: what can be said of it, each with its kind and place, in reading order. */
public final class LineFinder {
    /** A page with more is no page that a student reads; what comes after isn't looked at. */
    private static final int MOST_WORDS = 6_000;

    private static final double SAME_SIZE = 0.13;

    /** The next row of a paragraph begins at most so far below the last, in heights of its letters. */
    private static final double MOST_LEADING = 2.1;

    /** Rows of a paragraph are set evenly. */
    private static final double UNEVEN = 1.25;

    /** The few that reach beyond stand over several columns. */
    private static final double MOST_ROWS = 0.88;

    private LineFinder() {}

    /** @param pages of one file: what is repeated at the edges of its pages is left out */
    public static List<FoundPage> find(List<PageText> pages) {
        List<List<Fragment>> rows = new ArrayList<>();
        for (PageText page : pages) {
            List<Word> words = page.words();
            rows.add(Rows.of(
                    words.size() <= MOST_WORDS ? page : new PageText(page.aspect(), words.subList(0, MOST_WORDS))));
        }
        double bodySize = bodySize(rows);
        List<List<Fragment>> ordered = RunningHeads.leaveOut(rows, bodySize).stream()
                .map(ReadingOrder::of)
                .toList();
        return ordered.stream()
                .map(fragments -> new FoundPage(lines(paragraphs(fragments), bodySize)))
                .toList();
    }

    /** The size of most letters. */
    private static double bodySize(List<List<Fragment>> pages) {
        double[] sizes = pages.stream()
                .flatMap(List::stream)
                .flatMap(fragment -> fragment.words().stream())
                .flatMapToDouble(word ->
                        word.text().chars().filter(Character::isLetterOrDigit).mapToDouble(letter -> word.size()))
                .sorted()
                .toArray();
        return sizes.length == 0 ? 0 : sizes[sizes.length / 2];
    }

    private static List<Paragraph> paragraphs(List<Fragment> fragments) {
        Set<Fragment> marked = marked(fragments);
        List<Paragraph> paragraphs = new ArrayList<>();
        for (Fragment fragment : fragments) {
            Paragraph before = paragraphs.isEmpty() ? null : paragraphs.get(paragraphs.size() - 1);
            if (before != null && !marked.contains(fragment) && goesOn(before, fragment, fragments)) {
                before.add(fragment);
            } else {
                paragraphs.add(new Paragraph(
                        fragment,
                        marked.contains(fragment) ? Marker.of(fragment.text()).orElse(null) : null));
            }
        }
        return paragraphs;
    }

    /**
     * Those whose number, letter or box is one of a row of such. "A. Smith wrote it" and "1914. The year" are none: A needs
     * a B after it; a number needs its neighbour, or to be the first.
     */
    private static Set<Fragment> marked(List<Fragment> fragments) {
        Set<Fragment> marked = new HashSet<>();
        Fragment letterBefore = null;
        int letter = 0;
        for (Fragment fragment : fragments) {
            Marker marker = Marker.of(fragment.text()).orElse(null);
            if (marker == null) {
                continue;
            }
            switch (marker.type()) {
                case NUMBER -> marked.add(fragment);
                case BOX -> marked.add(fragment);
                case LETTER -> {
                    if (letterBefore != null && marker.ordinal() == letter + 1) {
                        marked.add(letterBefore);
                        marked.add(fragment);
                    }
                    letterBefore = fragment;
                    letter = marker.ordinal();
                }
            }
        }
        return marked;
    }

    private static boolean goesOn(Paragraph paragraph, Fragment next, List<Fragment> page) {
        Fragment last = paragraph.last();
        double em = Math.max(last.em(), next.em());
        double step = next.area().y() - last.area().y();
        boolean sameLooks = Math.abs(next.size() - last.size()) <= SAME_SIZE * Math.max(next.size(), last.size())
                && (next.bold() == last.bold() || paragraph.marker() != null);
        boolean near = step > 0.3 * next.size()
                && step <= MOST_LEADING * Math.max(next.size(), last.size())
                && (paragraph.rows() < 2 || step <= UNEVEN * paragraph.leading() + 0.1 * next.size());
        if (!sameLooks || !near || next.isBlank() || last.isBlank()) {
            return false;
        }
        double left = paragraph.first().area().x();
        double textX = paragraph.first().textX();
        double x = next.area().x();
        if (paragraph.marker() != null) {
            boolean hangs = x > left + 0.4 * em && Math.abs(x - textX) <= 1.5 * em;
            boolean wraps = Math.abs(x - left) <= 0.6 * em && !endsEarly(last, next, page);
            return hangs || wraps;
        }
        boolean centred = Math.abs(next.area().middleX() - last.area().middleX()) < 0.5 * em
                && Math.abs(x - last.area().x()) > 0.7 * em;
        boolean aligned = Math.abs(x - last.area().x()) <= 0.7 * em
                || paragraph.rows() == 1 && x < left && left - x <= 4 * em
                || centred;
        return aligned && !(endsEarly(last, next, page) && !centred);
    }

    /** Whether a row ends though the next word had room on it: the writer began a new line. */
    private static boolean endsEarly(Fragment row, Fragment next, List<Fragment> page) {
        double room = columnRight(row, page) - row.area().right();
        double nextWord = next.words().get(0).area().w();
        return room > nextWord + 1.5 * row.em();
    }

    /** Where most rows above and below a row end at the latest. */
    private static double columnRight(Fragment row, List<Fragment> page) {
        double[] rights = page.stream()
                .filter(other -> other.area().x() <= row.area().right()
                        && other.area().right() >= row.area().x()
                        && Math.abs(other.size() - row.size()) <= SAME_SIZE * row.size())
                .mapToDouble(other -> other.area().right())
                .sorted()
                .toArray();
        return rights[(int) Math.round(MOST_ROWS * (rights.length - 1))];
    }

    private static List<FoundLine> lines(List<Paragraph> paragraphs, double bodySize) {
        List<FoundLine> lines = new ArrayList<>();
        for (Paragraph paragraph : paragraphs) {
            String text = paragraph.text();
            boolean sayable = text.codePoints().anyMatch(Character::isLetterOrDigit);
            FoundKind kind = Kinds.of(paragraph, bodySize);
            if (sayable || paragraph.hasBlank()) {
                lines.add(new FoundLine(
                        sayable ? kind : FoundKind.BLANK, text, paragraph.area().onPage(), paragraph.words()));
            }
        }
        return PartsOfQuestions.asQuestions(lines);
    }
}
