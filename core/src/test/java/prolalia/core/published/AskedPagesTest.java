package prolalia.core.published;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.AnswerManner;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.place.Area;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.PublishedLesson.PublishedPicture;

/** Pages with questions, as they are answered and as they are only heard. */
class AskedPagesTest {
    private static final PublishedPicture PICTURE = new PublishedPicture("p", "image/png", "", 100, 100);

    private static PublishedLine line(String id, LineTraits traits) {
        return new PublishedLine(new Line(id, traits, id, Optional.empty()), null, null);
    }

    private static PublishedLine line(String id, LineKind kind) {
        return line(id, LineTraits.of(kind));
    }

    private static PublishedLine asked(String id, AnswerKind kind) {
        return line(id, LineTraits.of(LineKind.QUESTION).withQuestion(Question.of(kind)));
    }

    private static PublishedLesson lesson(AnswerManner.Layout layout, PublishedPage... pages) {
        AnswerManner manner = new AnswerManner(layout, null, 0, null, 0, null);
        return new PublishedLesson(
                "t", LessonSettings.USUAL.withAnswering(manner), List.of(pages), Placed.NOTHING, Map.of());
    }

    private static PublishedPage page(PublishedPicture picture, List<PageElement> things, PublishedLine... lines) {
        return new PublishedPage("page", picture, List.of(lines), new Placed(things, PageSettings.USUAL));
    }

    private static List<String> words(StudentPage page) {
        return page.lines().stream().map(StudentPage.SaidLine::id).toList();
    }

    private static PublishedPage form() {
        return page(
                null,
                List.of(),
                line("direction", LineKind.DIRECTION),
                asked("one", AnswerKind.ONE_CHOICE),
                line("a", LineKind.CHOICE),
                line("b", LineKind.CHOICE),
                line("hint", LineKind.HINT),
                line("between", LineKind.PASSAGE),
                asked("two", AnswerKind.LONG_TEXT),
                line("after", LineKind.LABEL));
    }

    @Test
    void questionsAreAskedOneAfterAnotherEachWithWhatStandsBeforeIt() {
        PublishedLesson split = OneByOne.of(lesson(AnswerManner.Layout.ONE, form()));
        assertThat(split.pages())
                .extracting(PublishedPage::id)
                .startsWith("page")
                .doesNotHaveDuplicates();
        List<StudentPage> met = StudentPages.toAnswer(split);
        assertThat(met.stream().map(AskedPagesTest::words))
                .containsExactly(List.of("direction", "one"), List.of("between", "two", "after"));
        assertThat(met.get(0).askedBy("one").choices())
                .extracting(StudentPage.SaidLine::id)
                .containsExactly("a", "b");
        assertThat(OneByOne.of(lesson(AnswerManner.Layout.SHEET, form())).pages())
                .hasSize(1);
    }

    @Test
    void whatIsOnlyHeardHasItsChoicesAmongItsLines() {
        StudentPage heard =
                StudentPages.of(lesson(AnswerManner.Layout.ONE, form())).get(0);
        assertThat(words(heard)).containsExactly("direction", "one", "a", "b", "between", "two", "after");
        assertThat(heard.asked()).isEmpty();
    }

    @Test
    void onAPictureChoicesAreRingedAtTheirWordsAndBlanksTypedIntoWhereTheyStand() {
        Area words = new Area(0.2, 0.4, 0.2, 0.05);
        Area blank = new Area(0.5, 0.7, 0.3, 0.04);
        StudentPage page = StudentPages.toAnswer(lesson(
                        AnswerManner.Layout.ONE,
                        page(
                                PICTURE,
                                List.of(
                                        new PageElement.Spot("s", words, "a", true),
                                        new PageElement.AnswerArea("w", blank, "typed"),
                                        new PageElement.AnswerArea("gone", blank, "taken out")),
                                asked("one", AnswerKind.ONE_CHOICE),
                                line("a", LineKind.CHOICE),
                                asked("typed", AnswerKind.SHORT_WORDS),
                                asked("nowhere", AnswerKind.NUMBER))))
                .get(0);
        assertThat(page.askedBy("typed").question().place()).isEqualTo(blank);
        assertThat(page.askedBy("typed").onPicture()).isTrue();
        assertThat(page.askedBy("nowhere").onPicture()).isFalse();
        assertThat(words(page)).as("what has no place is answered beside it").contains("nowhere");
    }

    @Test
    void whatIsAnsweredOnAPictureIsListedThoughNobodyReadIt() {
        Area question = new Area(0.2, 0.2, 0.6, 0.05);
        PublishedLine read = line("read", LineKind.DIRECTION);
        StudentPage page = StudentPages.toAnswer(lesson(
                        AnswerManner.Layout.ONE,
                        page(
                                PICTURE,
                                List.of(
                                        new PageElement.Spot("r", new Area(0.2, 0.1, 0.6, 0.05), "read", true),
                                        new PageElement.Spot("q", question, "typed", true),
                                        new PageElement.AnswerArea("w", new Area(0.5, 0.7, 0.3, 0.04), "typed")),
                                new PublishedLine(read.line(), "a", null),
                                asked("typed", AnswerKind.SHORT_WORDS))))
                .get(0);
        assertThat(page.lines()).isEmpty();
        assertThat(page.placedLines())
                .as("on a phone they stand under the picture")
                .extracting(StudentPage.SaidLine::id)
                .containsExactly("read", "typed");
    }

    @Test
    void anOrderIsAskedForOutOfOrderAndPairsStandOnTwoSides() {
        PublishedLine[] lines = Stream.concat(
                        Stream.of(asked("pairs", AnswerKind.PAIRS)),
                        Stream.of(1, 2, 3, 1, 2, 3).map(new java.util.function.Function<Integer, PublishedLine>() {
                            private int count;

                            @Override
                            public PublishedLine apply(Integer pair) {
                                return line(
                                        "c" + count++,
                                        LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(false, pair)));
                            }
                        }))
                .toArray(PublishedLine[]::new);
        AskedOnPage asked = StudentPages.toAnswer(lesson(AnswerManner.Layout.ONE, page(null, List.of(), lines)))
                .get(0)
                .askedBy("pairs");
        assertThat(asked.choices()).extracting(StudentPage.SaidLine::id).doesNotContainSequence("c0", "c1", "c2", "c3");
        assertThat(asked.sides().get(0))
                .extracting(StudentPage.SaidLine::id)
                .containsExactlyInAnyOrder("c0", "c1", "c2");
        assertThat(asked.sides().get(1)).hasSize(3);
    }
}
