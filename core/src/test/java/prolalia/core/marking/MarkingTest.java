package prolalia.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Point;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.NumberKey.DecimalSign;
import prolalia.core.answer.Question;
import prolalia.core.answer.TextRule;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.place.Area;

/** What answers are worth, kind by kind. */
class MarkingTest {
    private static Line line(String id, LineTraits traits) {
        return new Line(id, traits, id, Optional.empty());
    }

    private static Line line(String id, LineKind kind) {
        return line(id, LineTraits.of(kind));
    }

    private static Line choice(String id, boolean right, int pair) {
        return line(id, LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(right, pair)));
    }

    private static Line question(Question question) {
        return line("q", LineTraits.of(LineKind.QUESTION).withQuestion(question));
    }

    private static QuestionWithLines asked(Question question, Line... choices) {
        List<Line> lines = new ArrayList<>(List.of(question(question)));
        lines.addAll(List.of(choices));
        return QuestionWithLines.on(lines).get(0);
    }

    private static double points(QuestionWithLines asked, AnswerContent given) {
        return Marking.of(asked, given).points();
    }

    @Test
    void oneChoiceIsAllOrNothing() {
        QuestionWithLines asked =
                asked(Question.of(AnswerKind.ONE_CHOICE).withPoints(2), choice("a", false, 0), choice("b", true, 0));
        assertThat(points(asked, AnswerContent.chosen("b"))).isEqualTo(2);
        assertThat(points(asked, AnswerContent.chosen("a"))).isZero();
        assertThat(points(asked, AnswerContent.chosen("a", "b")))
                .as("both are not one")
                .isZero();
        assertThat(points(asked, AnswerContent.chosen("taken out since"))).isZero();
        assertThat(Marking.of(asked, AnswerContent.NOTHING).outcome()).isEqualTo(Outcome.NONE);
    }

    @Test
    void ofSeveralChoicesRightOnesCountAndWrongOnesAreTakenOffNeverBelowNought() {
        QuestionWithLines asked = asked(
                Question.of(AnswerKind.SEVERAL_CHOICES).withPoints(3),
                choice("a", true, 0),
                choice("b", true, 0),
                choice("c", true, 0),
                choice("d", false, 0),
                choice("e", false, 0));
        assertThat(points(asked, AnswerContent.chosen("a", "b", "c"))).isEqualTo(3);
        assertThat(points(asked, AnswerContent.chosen("a", "b"))).isEqualTo(2);
        assertThat(points(asked, AnswerContent.chosen("a", "b", "d"))).isEqualTo(1);
        assertThat(points(asked, AnswerContent.chosen("a", "d", "e"))).isZero();
        assertThat(Marking.of(asked, AnswerContent.chosen("a", "b")).outcome()).isEqualTo(Outcome.PART);
    }

    @Test
    void shortWordsMayDifferInWhatTheirQuestionSays() {
        Question question = Question.of(AnswerKind.SHORT_WORDS).withAccepted(List.of("sea gull", "Möwe"));
        QuestionWithLines asked = asked(question);
        for (String right : List.of("Sea gull", "  sea   gull. ", "SEA\u00a0GULL!", "mo\u0308we", "sea gull\u200b")) {
            assertThat(points(asked, AnswerContent.typed(right))).as(right).isEqualTo(1);
        }
        for (String wrong : List.of("seagull", "Mowe", "sea gulls", "!")) {
            assertThat(points(asked, AnswerContent.typed(wrong))).as(wrong).isZero();
        }
        QuestionWithLines lenient = asked(question.withText(new TextRule(false, false, false, false)));
        assertThat(points(lenient, AnswerContent.typed("seagull"))).isEqualTo(1);
        assertThat(points(lenient, AnswerContent.typed("MOWE"))).isEqualTo(1);
        QuestionWithLines strict = asked(question.withText(new TextRule(true, true, true, true)));
        assertThat(points(strict, AnswerContent.typed("Sea gull"))).isZero();
        assertThat(points(strict, AnswerContent.typed("sea gull."))).isZero();
    }

    @Test
    void numbersAreReadWithSignsFractionsUnitsAndDigitsOfAnyScript() {
        NumberKey half = new NumberKey(new BigDecimal("12.5"), new BigDecimal("0.1"), "cm", false, DecimalSign.EITHER);
        for (String right :
                List.of("12.5", "12,5", "12 1/2", "12½ cm", "12.5cm", "12.45 cm.", "25/2", "١٢٫٥", "+12.5")) {
            assertThat(half.accepts(right)).as(right).isTrue();
        }
        for (String wrong : List.of("12.5 mm", "12.7", "-12.5", "twelve", "12/0", "1.2.5", "12.5 cm 3", "")) {
            assertThat(half.accepts(wrong)).as(wrong).isFalse();
        }
        NumberKey many = NumberKey.of(new BigDecimal("1250"));
        for (String right : List.of("1250", "1,250", "1.250", "1 250", "1'250", "1\u202f250")) {
            assertThat(many.accepts(right)).as(right).isTrue();
        }
        NumberKey german = new NumberKey(new BigDecimal("1250"), null, "", false, DecimalSign.COMMA);
        assertThat(german.accepts("1.250")).isTrue();
        assertThat(german.accepts("1,250")).as("one and a quarter").isFalse();
        NumberKey metres = new NumberKey(BigDecimal.ONE, null, "m", true, DecimalSign.POINT);
        assertThat(metres.accepts("1 m")).isTrue();
        assertThat(metres.accepts("1")).as("of what?").isFalse();
        assertThat(metres.accepts("\u22121 m")).isFalse();
    }

    @Test
    void ofAnOrderTheLongestPartThatIsInOrderCounts() {
        QuestionWithLines asked = asked(
                Question.of(AnswerKind.ORDER).withPoints(4),
                choice("a", false, 0),
                choice("b", false, 0),
                choice("c", false, 0),
                choice("d", false, 0));
        assertThat(points(asked, AnswerContent.chosen("a", "b", "c", "d"))).isEqualTo(4);
        assertThat(points(asked, AnswerContent.chosen("b", "c", "d", "a"))).isEqualTo(3);
        assertThat(points(asked, AnswerContent.chosen("d", "c", "b", "a")))
                .as("no two in order")
                .isZero();
        assertThat(points(asked, AnswerContent.chosen("a", "a", "a", "b")))
                .as("said twice")
                .isEqualTo(2);
    }

    @Test
    void pairsCountWhicheverEndWasPressedFirst() {
        QuestionWithLines asked = asked(
                Question.of(AnswerKind.PAIRS).withPoints(2),
                choice("a", false, 1),
                choice("b", false, 2),
                choice("c", false, 1),
                choice("d", false, 2));
        assertThat(points(asked, AnswerContent.paired(Map.of("a", "c", "d", "b"))))
                .isEqualTo(2);
        assertThat(points(asked, AnswerContent.paired(Map.of("a", "c", "b", "c"))))
                .isEqualTo(1);
        assertThat(points(asked, AnswerContent.paired(Map.of("a", "a", "b", "b"))))
                .as("with itself")
                .isZero();
    }

    @Test
    void placesOnAPictureCountOnceAndPressesBesideThemAreTakenOff() {
        QuestionWithLines asked = asked(Question.of(AnswerKind.AREAS)
                .withPoints(2)
                .withAreas(List.of(new Area(0, 0, 0.2, 0.2), new Area(0.5, 0.5, 0.2, 0.2))));
        Point one = new Point(0.1, 0.1);
        Point other = new Point(0.6, 0.6);
        Point beside = new Point(0.9, 0.1);
        assertThat(points(asked, AnswerContent.pressed(one, other))).isEqualTo(2);
        assertThat(points(asked, AnswerContent.pressed(one, one)))
                .as("twice on one")
                .isEqualTo(1);
        assertThat(points(asked, AnswerContent.pressed(one, other, beside))).isEqualTo(1);
        assertThat(points(asked, AnswerContent.pressed(beside))).isZero();
    }

    @Test
    void withoutAKeyAndForFreeAnswersSomebodyLooksAtIt() {
        QuestionWithLines keyless =
                asked(Question.of(AnswerKind.ONE_CHOICE), choice("a", false, 0), choice("b", false, 0));
        assertThat(Marking.of(keyless, AnswerContent.chosen("a")).outcome()).isEqualTo(Outcome.OPEN);
        Mark open = Marking.of(asked(Question.of(AnswerKind.LONG_TEXT).withPoints(3)), AnswerContent.typed("because"));
        assertThat(open.outcome()).isEqualTo(Outcome.OPEN);
        assertThat(open.overruled(2).outcome()).isEqualTo(Outcome.PART);
        assertThat(open.overruled(9).points()).as("no more than there are").isEqualTo(3);
    }

    @Test
    void linesUnderAQuestionBelongToItAndACorrectionToTheChoiceAboveIt() {
        List<Line> lines = List.of(
                question(Question.of(AnswerKind.ONE_CHOICE)),
                choice("a", true, 0),
                choice("b", false, 0),
                line("of b", LineKind.CORRECTION),
                choice("c", false, 0),
                line("of all", LineKind.CORRECTION),
                line("yes", LineKind.PRAISE),
                line("think", LineKind.HINT),
                line("next", LineKind.DIRECTION),
                line("elsewhere", LineKind.HINT));
        QuestionWithLines asked = QuestionWithLines.on(lines).get(0);
        assertThat(asked.hints()).extracting(Line::id).containsExactly("think");
        assertThat(asked.correctionOf(AnswerContent.chosen("b")).orElseThrow().id())
                .isEqualTo("of b");
        assertThat(asked.correctionOf(AnswerContent.chosen("c")).orElseThrow().id())
                .isEqualTo("of all");
        assertThat(asked.praise().orElseThrow().id()).isEqualTo("yes");
    }
}
