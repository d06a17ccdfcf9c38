package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;

/**
 * How the questions of a page would be answered, told from what stands under them: choices are chosen from; a blank in the
 * question, or a row under it, is typed into; several rows are written on; in an empty box under it, or beside it, something is
 * written, drawn or said, by its size. What is right isn't told by a paper. Stateless.
 */
public final class ProposedAnswers {
    private static final Pattern BLANK = Pattern.compile("(?:_\\s?){3,}|\\.{5,}|\u2026{2,}|[\u2013\u2014]{3,}");

    /** A row to write on is hardly ever higher, by the height of its page. */
    private static final double HIGHEST_ROW = 0.05;

    /** A rule is thin: what is written stands above it. */
    private static final double LEAST_HEIGHT = 0.03;

    /** Into a lower box a word or two are written; into a flat one, a sentence; in any other one something is drawn. */
    private static final double HIGHEST_FOR_WORDS = 0.07;

    private static final double HIGHEST_FOR_SENTENCES = 0.14;
    private static final double WIDE = 0.5;

    /** A box belongs to a line that ends so little under its top. */
    private static final double BESIDE = 0.02;

    /** Farther down, a box belongs to nothing that stands above, by the height of the page. */
    private static final double FARTHEST = 0.25;

    /** A label stands in a cell of its own: from its end to the next one it may be as far as this, by the width of the page. */
    private static final double WIDEST_CELL = 0.5;

    private ProposedAnswers() {}

    /**
     * How a question is answered.
     *
     * @param places where on the page; none: on its choices, or under its words
     */
    public record Answer(Question question, List<Area> places) {}

    /**
     * @param lines all that are proposed for a page, in reading order
     * @param boxes in which there is nothing yet ({@link prolalia.core.place.EmptyBoxes})
     * @return by the ids of questions, and of directions and labels that are answered; of others nothing is told
     */
    public static Map<String, Answer> of(List<ProposedLine> lines, List<Area> boxes) {
        Map<String, Answer> answers = new LinkedHashMap<>();
        for (int i = 0; i < lines.size(); i++) {
            ProposedLine line = lines.get(i);
            if (line.kind() == FoundKind.QUESTION && line.wanted()) {
                Answer answer = answer(line, under(lines, i + 1));
                if (answer != null) {
                    answers.put(line.id(), answer);
                }
            }
        }
        boxesOf(lines, boxes).forEach((line, box) -> answers.putIfAbsent(line.id(), inBox(box)));
        return answers;
    }

    /** Each line that may be answered in a box, with the largest of its boxes: that of its row, else those under it or beside it. */
    private static Map<ProposedLine, Area> boxesOf(List<ProposedLine> lines, List<Area> boxes) {
        List<ProposedLine> wanted =
                lines.stream().filter(line -> line.wanted() && line.hasPlace()).toList();
        Map<ProposedLine, Area> found = new LinkedHashMap<>();
        for (Area box : boxes) {
            boolean empty = lines.stream()
                    .filter(ProposedLine::hasPlace)
                    .noneMatch(
                            line -> box.holds(line.area().middleX(), line.area().middleY()));
            if (empty) {
                labelOf(box, wanted)
                        .or(() -> askedIn(box, wanted))
                        .ifPresent(line -> found.merge(line, box, ProposedAnswers::larger));
            }
        }
        return found;
    }

    /** As in a table: the nearest label to the left of a box. */
    private static Optional<ProposedLine> labelOf(Area box, List<ProposedLine> lines) {
        return lines.stream()
                .filter(line -> line.area().sharedHeight(box) > 0.5
                        && line.area().right() <= box.x() + BESIDE
                        && box.x() - line.area().right() <= WIDEST_CELL)
                .max(Comparator.comparingDouble(line -> line.area().right()))
                .filter(line -> line.kind() == FoundKind.LABEL);
    }

    private static Optional<ProposedLine> askedIn(Area box, List<ProposedLine> lines) {
        return lines.stream()
                .filter(line -> line.kind() == FoundKind.QUESTION || line.kind() == FoundKind.DIRECTION)
                .filter(line ->
                        line.area().bottom() <= box.y() + BESIDE || line.area().sharedHeight(box) > 0.5)
                .filter(line -> box.y() - line.area().bottom() <= FARTHEST)
                .min(Comparator.comparingDouble(line -> farness(line.area(), box)));
    }

    /** By the gaps between them, to the side and down. */
    private static double farness(Area line, Area box) {
        double down = Math.max(0, box.y() - line.bottom());
        double aside = Math.max(0, Math.max(line.x() - box.right(), box.x() - line.right()));
        return down + aside;
    }

    private static Area larger(Area one, Area other) {
        return one.w() * one.h() >= other.w() * other.h() ? one : other;
    }

    private static Answer inBox(Area box) {
        Question question = box.h() <= HIGHEST_FOR_WORDS
                ? Question.of(AnswerKind.SHORT_WORDS)
                : box.h() <= HIGHEST_FOR_SENTENCES && box.w() >= WIDE
                        ? Question.of(AnswerKind.LONG_TEXT)
                        : Question.of(AnswerKind.DRAWING).withWays(Set.of(AnswerKind.SPOKEN));
        return new Answer(question, List.of(box));
    }

    private static List<ProposedLine> under(List<ProposedLine> lines, int from) {
        List<ProposedLine> under = new ArrayList<>();
        for (ProposedLine line : lines.subList(from, lines.size())) {
            if (line.kind() != FoundKind.CHOICE && line.kind() != FoundKind.BLANK) {
                break;
            }
            under.add(line);
        }
        return under;
    }

    private static Answer answer(ProposedLine question, List<ProposedLine> under) {
        long choices = under.stream()
                .filter(line -> line.kind() == FoundKind.CHOICE && line.wanted())
                .count();
        if (choices > 1) {
            return new Answer(Question.of(AnswerKind.ONE_CHOICE), List.of());
        }
        List<Area> inWords = question.words().words().stream()
                .filter(word -> BLANK.matcher(word.text()).find())
                .map(PlacedWord::area)
                .toList();
        if (!inWords.isEmpty()) {
            return new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of(toWriteIn(inWords.get(0))));
        }
        List<Area> rows = under.stream()
                .filter(line -> line.kind() == FoundKind.BLANK && line.hasPlace())
                .map(ProposedLine::area)
                .toList();
        if (rows.size() == 1 && rows.get(0).h() <= HIGHEST_ROW) {
            return new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of(toWriteIn(rows.get(0))));
        }
        if (!rows.isEmpty()) {
            Area all = rows.stream().reduce(Area::with).orElseThrow();
            return new Answer(Question.of(AnswerKind.LONG_TEXT), List.of(toWriteIn(all)));
        }
        return BLANK.matcher(question.text()).find()
                ? new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of())
                : null;
    }

    private static Area toWriteIn(Area rule) {
        double grows = Math.max(0, LEAST_HEIGHT - rule.h());
        return new Area(rule.x(), Math.max(0, rule.y() - grows), rule.w(), rule.h() + grows).onPage();
    }
}
