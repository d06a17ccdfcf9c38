package prolalia.core.script;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.ScriptEdits.PlacedLine;

/**
 * What making questions means for a script.
 *
 * <p>An answer is empty when there is nothing to change.
 */
public final class QuestionEdits {
    private final List<PlacedLine> script;

    /** @param script its lines in reading order, without removed ones */
    public QuestionEdits(List<PlacedLine> script) {
        this.script = List.copyOf(script);
    }

    /** @param question null: the line is heard, and not answered */
    public Optional<LessonChange> change(String lineId, Question question) {
        LineShape shape = shape(lineId);
        List<LineStep> steps = new ArrayList<>();
        LineTraits traits = shape.traits().withQuestion(question);
        add(steps, lineId, shape, question == null ? traits : traits.withKind(LineKind.QUESTION));
        if (question != null && question.kind() == AnswerKind.ONE_CHOICE) {
            // Of several right ones the first stays.
            boolean found = false;
            for (PlacedLine choice : choices(lineId)) {
                ChoiceMark mark = choice.shape().traits().mark();
                if (mark.right() && found) {
                    add(
                            steps,
                            choice.id(),
                            choice.shape(),
                            choice.shape().traits().withMark(mark.turned()));
                }
                found = found || mark.right();
            }
        }
        return change(steps);
    }

    /**
     * A choice is a right one from now on, or none any more. Its question is one to be answered then; with a second right choice
     * it asks for several.
     */
    public Optional<LessonChange> turnRight(String choiceId) {
        LineShape shape = shape(choiceId);
        ChoiceMark mark = shape.traits().mark().turned();
        List<LineStep> steps = new ArrayList<>();
        add(steps, choiceId, shape, shape.traits().withKind(LineKind.CHOICE).withMark(mark));
        questionOf(choiceId).ifPresent(asking -> {
            Question question = asking.shape().traits().question();
            long right = choices(asking.id()).stream()
                    .filter(choice -> choice.id().equals(choiceId)
                            ? mark.right()
                            : choice.shape().traits().mark().right())
                    .count();
            Question after = question == null
                    ? Question.of(right > 1 ? AnswerKind.SEVERAL_CHOICES : AnswerKind.ONE_CHOICE)
                    : question.kind() == AnswerKind.ONE_CHOICE && right > 1
                            ? question.withKind(AnswerKind.SEVERAL_CHOICES)
                            : question;
            LineTraits traits = asking.shape().traits().withKind(LineKind.QUESTION);
            add(steps, asking.id(), asking.shape(), traits.withQuestion(after));
        });
        return change(steps);
    }

    /** @param pair the number of the pair that a choice belongs to; 0: of none */
    public Optional<LessonChange> pair(String choiceId, int pair) {
        LineShape shape = shape(choiceId);
        List<LineStep> steps = new ArrayList<>();
        add(
                steps,
                choiceId,
                shape,
                shape.traits().withMark(shape.traits().mark().withPair(pair)));
        return change(steps);
    }

    /** @param picture SHA-256 of what a question or a choice shows; null: nothing */
    public Optional<LessonChange> show(String lineId, String picture) {
        LineShape shape = shape(lineId);
        List<LineStep> steps = new ArrayList<>();
        add(steps, lineId, shape, shape.traits().withPicture(picture));
        return change(steps);
    }

    /** Those of some pages on which nothing is asked that is answered. */
    public List<String> pagesWithoutQuestion(List<String> pageIds) {
        return pageIds.stream()
                .filter(page ->
                        on(page).stream().allMatch(line -> line.shape().traits().question() == null))
                .toList();
    }

    /**
     * The same question on every page that has none.
     *
     * @param question in the place of a standing line, as it is placed on any page
     * @param newId answers another one each time
     */
    public Optional<LessonChange> onEveryPage(List<String> pageIds, LineShape question, Supplier<String> newId) {
        List<LineStep> steps = new ArrayList<>();
        for (String page : pagesWithoutQuestion(pageIds)) {
            List<PlacedLine> lines = on(page);
            String last = lines.isEmpty() ? null : lines.get(lines.size() - 1).id();
            LineShape shape = question.withPlace(new Place(page, last));
            steps.add(new LineStep(newId.get(), shape.withRemoved(true), shape));
        }
        return steps.isEmpty() ? Optional.empty() : Optional.of(new LessonChange(Deed.ADD, steps, List.of()));
    }

    private List<PlacedLine> on(String pageId) {
        return script.stream()
                .filter(line -> line.shape().place().pageId().equals(pageId))
                .toList();
    }

    private static void add(List<LineStep> steps, String lineId, LineShape shape, LineTraits traits) {
        if (!shape.traits().equals(traits)) {
            steps.add(new LineStep(lineId, shape, shape.withTraits(traits)));
        }
    }

    private static Optional<LessonChange> change(List<LineStep> steps) {
        return steps.isEmpty() ? Optional.empty() : Optional.of(new LessonChange(Deed.QUESTION, steps, List.of()));
    }

    private LineShape shape(String lineId) {
        return script.stream()
                .filter(line -> line.id().equals(lineId))
                .findFirst()
                .orElseThrow()
                .shape();
    }

    /** The line that a choice is under, if it can be its question: the nearest one above that isn't part of one. */
    private Optional<PlacedLine> questionOf(String choiceId) {
        Map<String, List<PlacedLine>> pages = script.stream()
                .collect(Collectors.groupingBy(line -> line.shape().place().pageId()));
        List<PlacedLine> page = pages.get(shape(choiceId).place().pageId());
        PlacedLine above = null;
        for (PlacedLine line : page) {
            if (line.id().equals(choiceId)) {
                return Optional.ofNullable(above);
            }
            boolean part = QuestionWithLines.belongs(line.shape().kind());
            above = part ? above : line;
        }
        return Optional.empty();
    }

    private List<PlacedLine> choices(String questionId) {
        List<PlacedLine> choices = new ArrayList<>();
        String page = shape(questionId).place().pageId();
        boolean under = false;
        for (PlacedLine line : script) {
            if (line.id().equals(questionId)) {
                under = true;
            } else if (under
                    && (!line.shape().place().pageId().equals(page)
                            || !QuestionWithLines.belongs(line.shape().kind()))) {
                return choices;
            } else if (under && line.shape().kind() == LineKind.CHOICE) {
                choices.add(line);
            }
        }
        return choices;
    }
}
