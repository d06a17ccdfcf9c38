package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineState;
import prolalia.core.lesson.Take;

class CoverageTest {
    private static Line line(String words, String saidThen) {
        return new Line(
                words,
                LineKind.PASSAGE,
                words,
                Optional.ofNullable(saidThen).map(said -> new Take("t", said, 1, said.startsWith("?"))));
    }

    @Test
    void countsByLinesAndByWordsAndLeavesOutLinesWithoutAnythingToSay() {
        List<Line> script = List.of(
                line("A bean sleeps.", "A bean sleeps"),
                line("the leaf", "the stem"),
                line("water", null),
                line("a coat", "? a coat"),
                line("", null),
                line("★ ★", null));
        Coverage coverage = Coverage.of(script);
        assertThat(coverage).isEqualTo(new Coverage(4, 1, 1, 1, 8, 3));
        assertThat(coverage.silentLines()).isEqualTo(1);
        assertThat(coverage.linesToRead()).isEqualTo(3);
        assertThat(coverage.complete()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "the root, 2", "Point to the seed that is awake., 8", "splits, 1", "table, 2", "jumped, 1", "planted, 2",
        "种子醒了。, 4", "البذرة, 3", "🌱 ☀️, 0", "4 beans, 2", "Öl, 1", "Москва, 2"
    })
    void syllablesAreCountedByTheScriptOfTheWord(String words, int syllables) {
        assertThat(Syllables.of(words)).isEqualTo(syllables);
    }

    @Test
    void readingTimeGrowsWithSyllablesAndPauses() {
        long sentence = ReadingTime.ofWordsMs("Look at the picture. Point to the seed that is awake.");
        assertThat(sentence).isBetween(3000L, 6000L);
        assertThat(ReadingTime.ofWordsMs("Look at the picture, point to the seed that is awake"))
                .isLessThan(sentence);
        assertThat(ReadingTime.ofWordsMs("…")).isZero();
        assertThat(ReadingTime.ofLinesToReadMs(List.of(line("water", null), line("seed", "seed"))))
                .isEqualTo(ReadingTime.ofWordsMs("water"));
    }

    @Test
    void aLongScriptIsDrawnInStretchesThatShowWhatNeedsTheTeacherMost() {
        List<Line> script = new java.util.ArrayList<>(java.util.Collections.nCopies(999, line("seed", "seed")));
        assertThat(Coverage.marks(script, 10)).containsOnly(LineState.VOICED).hasSize(10);
        script.set(500, line("seed", null));
        script.set(999 - 1, line("seed", "root"));
        assertThat(Coverage.marks(script, 10)).element(5).isEqualTo(LineState.SILENT);
        assertThat(Coverage.marks(script, 10)).element(9).isEqualTo(LineState.OUTDATED);
        assertThat(Coverage.marks(script.subList(0, 3), 10)).hasSize(3);
        assertThat(Coverage.byKind(script)).containsOnlyKeys(LineKind.PASSAGE);
    }

    @Test
    void thePaceFollowsTheTeachersTakesButNoSingleOddOne() {
        String words = "A bean sleeps in the dry soil until the rain comes.";
        long usual = ReadingTime.ofWordsMs(words);
        assertThat(Pace.UNKNOWN.ofWordsMs(words)).isEqualTo(usual);
        Take slow = new Take("t", words, usual * 3 / 2, false);
        Pace pace = Pace.of(java.util.Collections.nCopies(60, slow));
        assertThat(pace.factor()).isBetween(1.35, 1.5);
        assertThat(pace.known()).isTrue();
        Pace afterOne = Pace.of(List.of(slow));
        assertThat(afterOne.factor()).isBetween(1.0, 1.1);
        assertThat(afterOne.known()).isFalse();
        // Ten minutes of something else on a line of eleven words say nothing about the pace.
        assertThat(Pace.of(List.of(new Take("t", words, 600_000, false))).factor())
                .isEqualTo(1);
    }
}
