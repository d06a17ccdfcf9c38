package prolalia.core.published;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.page.Placed;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.SaidWords.Said;
import prolalia.core.sound.Span;

class SaidWordsTest {
    private static PublishedLine line(String words, LineKind kind, String sound) {
        return new PublishedLine(new Line(words, LineTraits.of(kind), words, Optional.empty()), sound, null);
    }

    /** Each word a tenth of a second; one that is struck out isn't said. */
    private static List<Word> times(PublishedLine line) {
        List<String> words = List.of(line.words().split(" "));
        return words.stream()
                .map(word -> {
                    long at = 100L * words.indexOf(word);
                    return new Word(
                            word, line.words().indexOf(word), new Span(at, word.startsWith("~") ? at : at + 100));
                })
                .toList();
    }

    @Test
    void eachWordIsFoundWhereItIsSaidFirstButNotInWhatIsSaidAfterAnAnswer() {
        PublishedPage page = new PublishedPage(
                "p",
                null,
                List.of(
                        line("\u201cRain\u201d falls.", LineKind.PASSAGE, "one"),
                        line("The rain ~stops", LineKind.PASSAGE, "two"),
                        line("silent snow", LineKind.PASSAGE, null),
                        line("Yes, drizzle!", LineKind.PRAISE, "three")),
                Placed.NOTHING);
        Map<String, Said> said = SaidWords.of(
                new PublishedLesson("t", LessonSettings.USUAL, List.of(page), Placed.NOTHING, Map.of()),
                SaidWordsTest::times);
        assertThat(said).containsOnlyKeys("rain", "falls", "the");
        assertThat(said.get("rain")).isEqualTo(new Said("one", new Span(0, 100)));
        assertThat(said.get("falls").span()).isEqualTo(new Span(100, 200));
    }
}
