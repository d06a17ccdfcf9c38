package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.place.WordPlaces;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LessonChange.Now;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits.LineTake;
import prolalia.core.script.ScriptEdits.PlacedLine;

class ScriptEditsTest {
    private final Map<String, LineShape> shapes = new LinkedHashMap<>();

    @BeforeEach
    void threeLines() {
        shapes.put("q", new LineShape("Which comes first?", LineKind.QUESTION, false, "tq", new Place("p", null)));
        shapes.put("a", new LineShape("the root", LineKind.CHOICE, false, "ta", new Place("p", "q")));
        shapes.put("b", new LineShape("the leaf", LineKind.CHOICE, false, null, new Place("p", "a")));
    }

    private ScriptEdits edits() {
        List<PlacedLine> script = new ArrayList<>();
        shapes.forEach((id, shape) -> {
            if (!shape.removed()) {
                script.add(new PlacedLine(id, shape));
            }
        });
        return new ScriptEdits(script);
    }

    private void make(LessonChange change) {
        change.lines().forEach(step -> shapes.put(step.lineId(), step.after()));
    }

    @Test
    void aLineIsSplitAtTheCursorAndTheTakeStaysWithTheFirstPart() {
        Map<String, LineShape> before = new LinkedHashMap<>(shapes);
        LessonChange change = edits().split("q", 6, "new");
        make(change);
        assertThat(shapes.get("q").words()).isEqualTo("Which");
        assertThat(shapes.get("q").keptTakeId()).isEqualTo("tq");
        assertThat(shapes.get("new"))
                .isEqualTo(new LineShape("comes first?", LineKind.QUESTION, false, null, new Place("p", "q")));
        make(change.reversed());
        assertThat(shapes.remove("new").removed()).isTrue();
        assertThat(shapes).isEqualTo(before);
    }

    @Test
    void placesOfWordsGoWithThemAndEndOnAnotherPage() {
        WordPlaces places = new WordPlaces("10,10,5,3=Which 20,10,5,3=comes 30,10,5,3=first?");
        LineShape whole = shapes.get("q");
        shapes.put(
                "q", new LineShape(whole.words(), whole.traits().withPlaces(places), false, "tq", whole.place(), null));
        make(edits().split("q", 6, "new"));
        assertThat(shapes.get("q").traits().places().written()).isEqualTo("10,10,5,3=Which");
        assertThat(shapes.get("new").traits().places().written()).isEqualTo("20,10,5,3=comes 30,10,5,3=first?");
        shapes.put("x", shapes.remove("new"));
        make(edits().join("x", List.of()).orElseThrow());
        assertThat(shapes.get("q").traits().places()).isEqualTo(places);
        LessonChange away = edits().move("q", new Place("other", null)).orElseThrow();
        make(away);
        assertThat(shapes.get("q").traits().places().areUnknown()).isTrue();
        make(away.reversed());
        assertThat(shapes.get("q").traits().places()).isEqualTo(places);
    }

    @Test
    void atTheBeginningOrTheEndTheLineStaysWholeAndAnEmptyOneComesBeforeOrAfter() {
        LessonChange above = edits().split("a", 0, "new");
        assertThat(above.deed()).isEqualTo(Deed.ADD);
        assertThat(above.lines()).singleElement().satisfies(step -> {
            assertThat(step.after().words()).isEmpty();
            assertThat(step.after().place()).isEqualTo(new Place("p", "q"));
        });
        LessonChange below = edits().split("a", 1_000, "new");
        assertThat(below.lines())
                .singleElement()
                .satisfies(step -> assertThat(step.after().place()).isEqualTo(new Place("p", "a")));
    }

    @ParameterizedTest
    @CsvSource({
        "👩‍🌾 digs, 2, '', 👩‍🌾 digs",
        "ab👍🏽cd, 4, ab, 👍🏽cd",
        "שלום עולם, 5, שלום, עולם",
        "种子醒了。雨来了。, 5, 种子醒了。, 雨来了。"
    })
    void noLetterAndNoIconIsCutInTwo(String words, int at, String first, String second) {
        shapes.put("a", new LineShape(words, LineKind.PASSAGE, false, null, new Place("p", "q")));
        make(edits().split("a", at, "new"));
        String one = shapes.get("a").words();
        assertThat(first.isEmpty() ? "" : one).isEqualTo(first);
        assertThat(first.isEmpty() ? one : shapes.get("new").words()).isEqualTo(second);
    }

    @Test
    void aLineIsJoinedToTheOneAboveAndItsTakesComeAlong() {
        LessonChange change =
                edits().join("a", List.of(new LineTake("ta", "a", "the root"))).orElseThrow();
        make(change);
        assertThat(shapes.get("q").words()).isEqualTo("Which comes first? the root");
        assertThat(shapes.get("q").kind()).isEqualTo(LineKind.QUESTION);
        assertThat(shapes.get("q").keptTakeId()).isEqualTo("tq");
        assertThat(shapes.get("a").removed()).isTrue();
        assertThat(change.takes()).singleElement().satisfies(step -> {
            assertThat(step.after().lineId()).isEqualTo("q");
            assertThat(step.after().words()).isEqualTo("the root");
        });
        assertThat(edits().join("q", List.of())).isEmpty();
    }

    @Test
    void joiningToAnEmptyLineKeepsKindAndTakeOfTheFullOneAndChineseGetsNoSpace() {
        shapes.put("q", new LineShape("", LineKind.DIRECTION, false, null, new Place("p", null)));
        make(edits().join("a", List.of()).orElseThrow());
        assertThat(shapes.get("q"))
                .isEqualTo(new LineShape("the root", LineKind.CHOICE, false, "ta", new Place("p", null)));
        shapes.put("q", new LineShape("种子醒了。", LineKind.PASSAGE, false, null, new Place("p", null)));
        shapes.put("b", new LineShape("雨来了。", LineKind.PASSAGE, false, null, new Place("p", "q")));
        make(edits().join("b", List.of()).orElseThrow());
        assertThat(shapes.get("q").words()).isEqualTo("种子醒了。雨来了。");
    }

    @Test
    void aTakeGivenToAnotherLineIsKeptThereAndSaysItsWords() {
        LessonChange change =
                edits().moveTake(new LineTake("ta", "a", "the root"), "b").orElseThrow();
        make(change);
        assertThat(shapes.get("a").keptTakeId()).isNull();
        assertThat(shapes.get("b").keptTakeId()).isEqualTo("ta");
        assertThat(change.takes().get(0).after().words()).isEqualTo("the leaf");
        assertThat(change.reversed().takes().get(0).after().words()).isEqualTo("the root");
        assertThat(edits().moveTake(new LineTake("ta", "b", "the leaf"), "b")).isEmpty();
    }

    private Now now() {
        return new Now(shapes, Map.of(), Map.of());
    }

    @Test
    void typingThatGoesOnIsOneChangeAndTypingElsewhereAnother() {
        LessonChange first = ScriptEdits.typed("a", shapes.get("a"), "the root of");
        make(first);
        LessonChange then = ScriptEdits.typed("a", shapes.get("a"), "the root of a bean");
        make(then);
        LessonChange both = then.after(first).orElseThrow();
        make(both.reversed());
        assertThat(shapes.get("a").words()).isEqualTo("the root");
        assertThat(ScriptEdits.typed("b", shapes.get("b"), "x").after(both)).isEmpty();
    }

    @Test
    void linesPastedIntoAnEmptyOneTakeItsPlaceAndIntoAnotherComeUnderIt() {
        List<ReadLine> read = PastedScript.readEach("1. One?\n\n2. Two?");
        LessonChange under = edits().pasteUnder("a", read, List.of("n1", "n2"), true);
        assertThat(under.lines()).extracting(LineStep::lineId).containsExactly("n1", "n2");
        assertThat(under.lines().get(0).after().place().afterLineId()).isEqualTo("a");
        assertThat(under.lines().get(1).after().place().afterLineId()).isEqualTo("n1");
        make(ScriptEdits.typed("b", shapes.get("b"), " "));
        LessonChange instead = edits().pasteUnder("b", read, List.of("n1", "n2"), true);
        assertThat(instead.lines().get(0).after().removed()).isTrue();
        assertThat(instead.size()).as("what was empty doesn't count").isEqualTo(2);
    }

    @Test
    void aChangeIsNotTakenBackOverWhatWasTypedOrReadSince() {
        LessonChange split = edits().split("q", 6, "new");
        make(split);
        assertThat(split.reversed().isSafeOn(now())).isTrue();
        LineShape fresh = shapes.get("new");
        shapes.put("new", fresh.withWords("comes out first?"));
        assertThat(split.reversed().isSafeOn(now())).isFalse();
        shapes.put("new", fresh.withKept("take of today"));
        assertThat(split.reversed().isSafeOn(now())).isFalse();
        // Where a line stands has nothing to do with its words.
        LessonChange move = edits().move("b", new Place("p", null)).orElseThrow();
        make(move);
        shapes.put("b", shapes.get("b").withWords("the stem"));
        assertThat(move.reversed().isSafeOn(now())).isTrue();
    }

    @Test
    void aTakeOfAnotherLineIsHeardHereAndCanBeTakenBack() {
        Map<String, LineShape> before = new LinkedHashMap<>(shapes);
        LessonChange change = edits().useTake("b", "ta").orElseThrow();
        make(change);
        assertThat(shapes.get("b").keptTakeId()).isEqualTo("ta");
        assertThat(shapes.get("a").keptTakeId()).as("it stays the other line's").isEqualTo("ta");
        assertThat(edits().useTake("b", "ta")).isEmpty();
        make(change.reversed());
        assertThat(shapes).isEqualTo(before);
    }

    @Test
    void aLineThatFollowsAStandingLineHasItsWordsUntilItGetsItsOwn() {
        make(edits().useStanding("b", "home", "Now show your partner.", "th").orElseThrow());
        assertThat(shapes.get("b"))
                .isEqualTo(new LineShape(
                        "Now show your partner.",
                        LineTraits.of(LineKind.CHOICE),
                        false,
                        "th",
                        new Place("p", "a"),
                        "home"));
        assertThat(edits().useStanding("b", "home", "Now show your partner.", "th"))
                .isEmpty();
        // Moving it changes nothing of that; another take, or splitting its words, does.
        make(edits().move("b", new Place("p", null)).orElseThrow());
        assertThat(shapes.get("b").standingLineId()).isEqualTo("home");
        LessonChange own = edits().onItsOwn("b").orElseThrow();
        make(own);
        assertThat(shapes.get("b").standingLineId()).isNull();
        assertThat(shapes.get("b").words()).isEqualTo("Now show your partner.");
        make(own.reversed());
        make(edits().split("b", 3, "new"));
        assertThat(shapes.get("b").words()).isEqualTo("Now");
        assertThat(shapes.get("b").standingLineId()).isNull();
        assertThat(edits().onItsOwn("b")).isEmpty();
    }

    @Test
    void aStandingLineDoesNotFollowItself() {
        assertThat(edits().useStanding("a", "a", "the root", "ta")).isEmpty();
    }

    @Test
    void aDirectionBecomesStepsWithIconsAndBackAgain() {
        make(edits().changeKind("b", LineKind.DIRECTION).orElseThrow());
        shapes.put("b", shapes.get("b").withWords("Look at the sea. Count the boats! Then draw one."));
        Map<String, LineShape> before = Map.copyOf(shapes);
        assertThat(edits().stepsOf("b")).containsExactly("Look at the sea.", "Count the boats!", "Then draw one.");
        LessonChange steps = edits().intoSteps("b", List.of("s1", "s2")).orElseThrow();
        make(steps);
        assertThat(shapes.get("b").words()).isEqualTo("Look at the sea.");
        assertThat(List.of(
                        shapes.get("b").traits().icon(),
                        shapes.get("s1").traits().icon(),
                        shapes.get("s2").traits().icon()))
                .containsExactly(StepIcon.LOOK, StepIcon.COUNT, StepIcon.DRAW);
        assertThat(shapes.get("s2").place()).isEqualTo(new Place("p", "s1"));
        assertThat(edits().intoSteps("b", List.of())).isEmpty();
        make(steps.reversed());
        assertThat(shapes.get("b")).isEqualTo(before.get("b"));
        assertThat(shapes.get("s1").removed()).isTrue();
    }
}
