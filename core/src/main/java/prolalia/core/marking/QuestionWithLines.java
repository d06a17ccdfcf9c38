package prolalia.core.marking;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Stroke;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.PageElement;
import prolalia.core.place.Area;

/**
 * A question with the lines that belong to it: those under it on its page, up to the next question, direction or passage.
 *
 * <p>A correction right under a choice is said after that choice; the last one under the last choice, and any that stands
 * elsewhere, after every wrong answer.
 *
 * @param line whose words ask
 * @param choices in the order of the script, which is the right one where an order is asked for
 * @param hints in the order in which they are given
 * @param praise said after a right answer; empty: nothing of its own
 * @param correction said after a wrong one; empty: nothing of its own
 * @param corrections said after one wrong choice, by its id
 * @param sheetHeight of what is drawn on, where it is {@value prolalia.core.answer.Given.Stroke#SHEET_WIDTH} wide
 */
public record QuestionWithLines(
        Line line,
        Question question,
        List<Choice> choices,
        List<Line> hints,
        Optional<Line> praise,
        Optional<Line> correction,
        Map<String, Line> corrections,
        int sheetHeight) {
    /** A choice. */
    public record Choice(Line line) {
        public String id() {
            return line.id();
        }

        public ChoiceMark mark() {
            return line.traits().mark();
        }

        public boolean isRight() {
            return mark().right();
        }
    }

    /** The questions of a page that are answered, in order. @param lines of the page, in reading order */
    public static List<QuestionWithLines> on(List<Line> lines) {
        List<QuestionWithLines> asked = new ArrayList<>();
        for (int at = 0; at < lines.size(); at++) {
            Line line = lines.get(at);
            if (line.kind() == LineKind.QUESTION && line.traits().question() != null) {
                int end = at + 1;
                while (end < lines.size() && belongs(lines.get(end).kind())) {
                    end++;
                }
                asked.add(of(line, lines.subList(at + 1, end)));
            }
        }
        return asked;
    }

    /**
     * The same, each answered where the page has a place for it.
     *
     * @param things that are placed on the page
     * @param aspect width by height of the page
     */
    public static List<QuestionWithLines> on(List<Line> lines, List<PageElement> things, double aspect) {
        return on(lines).stream().map(asked -> asked.at(things, aspect)).toList();
    }

    private QuestionWithLines at(List<PageElement> things, double aspect) {
        List<Area> areas = things.stream()
                .filter(thing -> thing instanceof PageElement.AnswerArea area
                        && area.lineId().equals(id()))
                .map(PageElement::area)
                .toList();
        if (areas.isEmpty()) {
            return this;
        }
        Question placed = QuestionKind.of(question).placed(question, areas);
        return new QuestionWithLines(
                line, placed, choices, hints, praise, correction, corrections, sheetHeight(areas.get(0), aspect));
    }

    /** What is drawn keeps its form wherever it is looked at. */
    private static int sheetHeight(Area area, double aspect) {
        double high = Stroke.SHEET_WIDTH * area.h() / Math.max(1e-6, area.w() * aspect);
        return (int) Math.max(Stroke.SHEET_WIDTH / 10, Math.min(Stroke.SHEET_WIDTH * 3, Math.round(high)));
    }

    /** Whether a line of this kind under a question belongs to it. */
    public static boolean belongs(LineKind kind) {
        return switch (kind) {
            case CHOICE, HINT, PRAISE, CORRECTION, NOTE -> true;
            case DIRECTION, PASSAGE, QUESTION, LABEL -> false;
        };
    }

    private static QuestionWithLines of(Line question, List<Line> under) {
        List<Choice> choices = new ArrayList<>();
        List<Line> hints = new ArrayList<>();
        Line praise = null;
        Line correction = null;
        Map<String, Line> corrections = new LinkedHashMap<>();
        long last =
                under.stream().filter(line -> line.kind() == LineKind.CHOICE).count();
        String choice = null;
        for (int i = 0; i < under.size(); i++) {
            Line line = under.get(i);
            switch (line.kind()) {
                case CHOICE -> choices.add(new Choice(line));
                case HINT -> hints.add(line);
                case PRAISE -> praise = praise == null ? line : praise;
                case CORRECTION -> {
                    boolean another = i + 1 < under.size() && under.get(i + 1).kind() == LineKind.CORRECTION;
                    boolean ofChoice =
                            choice != null && !corrections.containsKey(choice) && (choices.size() < last || another);
                    if (ofChoice) {
                        corrections.put(choice, line);
                    } else if (correction == null) {
                        correction = line;
                    }
                }
                default -> {}
            }
            if (line.kind() != LineKind.CORRECTION) {
                choice = line.kind() == LineKind.CHOICE ? line.id() : null;
            }
        }
        return new QuestionWithLines(
                question,
                question.traits().question(),
                choices,
                hints,
                Optional.ofNullable(praise),
                Optional.ofNullable(correction),
                corrections,
                Stroke.SHEET_HEIGHT);
    }

    public String id() {
        return line.id();
    }

    /** Whether a line is one of its choices. */
    public boolean isAskedWith(String lineId) {
        return choices.stream().anyMatch(choice -> choice.id().equals(lineId));
    }

    public boolean isRight(String choiceId) {
        return choices.stream().anyMatch(choice -> choice.id().equals(choiceId) && choice.isRight());
    }

    /** Whether it is told what is right, so that a rule can mark it. */
    public boolean hasKey() {
        return QuestionKind.of(question).hasKey(this);
    }

    /** What is said after an answer that wasn't right: of the choice that was made, else in general. */
    public Optional<Line> correctionOf(AnswerContent given) {
        return given.chosen().stream()
                .filter(id -> !isRight(id))
                .map(corrections::get)
                .filter(line -> line != null)
                .findFirst()
                .or(() -> correction);
    }

    /** All lines that belong to it, itself too. */
    public List<Line> lines() {
        List<Line> all = new ArrayList<>(List.of(line));
        choices.forEach(choice -> all.add(choice.line()));
        all.addAll(hints);
        praise.ifPresent(all::add);
        correction.ifPresent(all::add);
        all.addAll(corrections.values());
        return all;
    }
}
