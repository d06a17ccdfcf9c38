package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
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
}
