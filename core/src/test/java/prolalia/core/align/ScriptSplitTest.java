package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prolalia.core.align.ScriptSplit.SplitLine;
import prolalia.core.script.ReadingTime;
import prolalia.core.sound.Span;

/** Recordings are given by their pieces of speech: as long as the words need, with pauses of known length. */
class ScriptSplitTest {
    private static final List<String> SCRIPT = List.of(
            "Look at the picture and point to the seed that is awake.",
            "the root",
            "A bean sleeps in the dry soil until the rain comes.",
            "Which part comes out first?",
            "Now show your partner what you have found on this page.");

    private final List<Span> pieces = new ArrayList<>();
    private long at;

    @BeforeEach
    void start() {
        at = 1_000;
    }

    private Span say(String words, double pace) {
        Span span = new Span(at, at + Math.round(ReadingTime.ofWordsMs(words) * pace));
        pieces.add(span);
        at = span.endMs();
        return span;
    }

    private void pause(long ms) {
        at += ms;
    }

    private List<Span> read(double pace) {
        List<Span> said = new ArrayList<>();
        for (String words : SCRIPT) {
            said.add(say(words, pace));
            pause(900);
        }
        return said;
    }

    private static List<Span> spans(ScriptSplit split) {
        return split.lines().stream().map(SplitLine::span).toList();
    }

    @Test
    void everyLineIsFoundAtWhateverPaceAndAllIsCertain() {
        List<Span> said = read(1.6);
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(spans(split)).isEqualTo(said);
        assertThat(split.findings()).isEmpty();
        assertThat(split.lines()).allMatch(line -> line.confidence() > ScriptSplit.CERTAIN);
    }

    @Test
    void aPauseWithinALineIsNoBoundary() {
        Span first = say("Look at the picture and point", 1);
        pause(400);
        Span rest = say("to the seed that is awake.", 1);
        pause(900);
        List<Span> others = new ArrayList<>();
        for (String words : SCRIPT.subList(1, SCRIPT.size())) {
            others.add(say(words, 1));
            pause(900);
        }
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(split.lines().get(0).span()).isEqualTo(new Span(first.startMs(), rest.endMs()));
        assertThat(spans(split).subList(1, 5)).isEqualTo(others);
    }

    @Test
    void whatIsSaidBeforeTheFirstLineAndAfterTheLastIsLeftOutAndTold() {
        say("How a bean wakes up, a lesson for the class of the Terns", 1);
        pause(900);
        List<Span> said = read(1);
        say("that's all", 1);
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(spans(split)).isEqualTo(said);
        assertThat(split.findings())
                .extracting(SplitFinding::kind)
                .contains(SplitFinding.Kind.BEFORE_THE_FIRST, SplitFinding.Kind.AFTER_THE_LAST);
    }

    @Test
    void aRecordingOfThePartOfTheScriptHasItsLinesAndTheRestIsToldMissing() {
        Span first = say(SCRIPT.get(0), 1);
        pause(900);
        Span second = say(SCRIPT.get(1), 1);
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(spans(split)).containsExactly(first, second, null, null, null);
        assertThat(split.findings())
                .extracting(SplitFinding::kind)
                .contains(SplitFinding.Kind.NOT_FOUND, SplitFinding.Kind.SHORTER_THAN_SCRIPT);
    }

    @Test
    void linesReadInAnotherOrderAreNeverSilentlyWrong() {
        List<String> order = new ArrayList<>(SCRIPT);
        java.util.Collections.swap(order, 0, 3);
        java.util.Collections.swap(order, 1, 4);
        for (String words : order) {
            say(words, 1);
            pause(900);
        }
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(split.findings()).extracting(SplitFinding::kind).contains(SplitFinding.Kind.UNLIKE_SCRIPT);
    }

    @Test
    void nothingSaidNoWordsAndNoLinesAreFindingsNotFailures() {
        ScriptSplit silent = ScriptSplit.of(List.of(), SCRIPT);
        assertThat(silent.findings()).extracting(SplitFinding::kind).containsExactly(SplitFinding.Kind.NOTHING_SAID);
        assertThat(spans(silent)).containsOnlyNulls().hasSize(5);
        read(1);
        assertThat(ScriptSplit.of(pieces, List.of()).lines()).isEmpty();
        assertThat(ScriptSplit.of(pieces, List.of("…", "")).lines()).hasSize(2);
        ScriptSplit single = ScriptSplit.of(pieces.subList(0, 1), SCRIPT.subList(0, 1));
        assertThat(spans(single)).isEqualTo(pieces.subList(0, 1));
    }

    @Test
    void aBlankLineInTheScriptTakesNothing() {
        List<Span> said = read(1);
        List<String> script = new ArrayList<>(SCRIPT);
        script.add(2, "🌱");
        ScriptSplit split = ScriptSplit.of(pieces, script);
        assertThat(split.lines().get(2).span()).isNull();
        assertThat(split.lines().get(3).span()).isEqualTo(said.get(2));
        assertThat(split.findings()).isEmpty();
    }

    @Test
    void aRecordingThatBeginsInTheMiddleOfTheScriptIsFoundThere() {
        List<Span> said = new ArrayList<>();
        for (String words : SCRIPT.subList(2, 5)) {
            said.add(say(words, 1.2));
            pause(800);
        }
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        assertThat(spans(split).subList(2, 5)).isEqualTo(said);
        assertThat(spans(split).subList(0, 2)).containsOnlyNulls();
    }

    @Test
    void twoLinesSaidInOneBreathAreNeverSilentlyWrong() {
        say(SCRIPT.get(0), 1);
        pause(900);
        // No pause that the detector finds between these two.
        Span both = say(SCRIPT.get(1) + " " + SCRIPT.get(2), 1);
        pause(900);
        say(SCRIPT.get(3), 1);
        pause(900);
        say(SCRIPT.get(4), 1);
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        List<SplitLine> wrong = split.lines().subList(1, 3);
        assertThat(wrong)
                .anySatisfy(line -> assertThat(line.span() == null || line.confidence() < ScriptSplit.CERTAIN)
                        .isTrue());
        assertThat(split.findings()).anySatisfy(finding -> {
            assertThat(finding.kind().isSerious()).isTrue();
            assertThat(finding.line()).isBetween(0, 3);
        });
        assertThat(both.durationMs()).isPositive();
    }

    @Test
    void somethingElseBetweenTwoLinesIsNeverSilentlyTaken() {
        say(SCRIPT.get(0), 1);
        pause(900);
        say(SCRIPT.get(1), 1);
        pause(900);
        Span remark = say("oh no the telephone is ringing again, one moment please, I will be back", 1);
        pause(900);
        for (String words : SCRIPT.subList(2, 5)) {
            say(words, 1);
            pause(900);
        }
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT);
        List<SplitLine> taking = split.lines().stream()
                .filter(line -> line.span() != null
                        && line.span().startMs() < remark.endMs()
                        && line.span().endMs() > remark.startMs())
                .toList();
        assertThat(taking).allSatisfy(line -> assertThat(line.confidence()).isLessThan(ScriptSplit.CERTAIN));
        assertThat(split.findings()).anyMatch(finding -> finding.kind().isSerious());
    }

    @Test
    void aSecondVoiceIsTold() {
        read(1);
        Span place = new Span(3_000, 9_000);
        ScriptSplit split = ScriptSplit.of(pieces, SCRIPT).with(java.util.Optional.of(place));
        assertThat(split.findings())
                .singleElement()
                .isEqualTo(new SplitFinding(SplitFinding.Kind.SECOND_VOICE, -1, place));
        assertThat(ScriptSplit.of(pieces, SCRIPT)
                        .with(java.util.Optional.empty())
                        .findings())
                .isEmpty();
        assertThat(SplitFinding.Kind.SECOND_VOICE.id()).isEqualTo("second-voice");
    }

    @Test
    void fiveHundredLinesAreSplitWithoutHoldingBackTheMemory() {
        List<String> script = new ArrayList<>();
        List<Span> said = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            String words = SCRIPT.get(i % SCRIPT.size());
            script.add(words);
            said.add(say(words, 1 + (i % 3) * 0.05));
            pause(600 + (i % 7) * 80);
        }
        ScriptSplit split = ScriptSplit.of(pieces, script);
        assertThat(spans(split)).isEqualTo(said);
        assertThat(split.findings()).isEmpty();
    }
}
