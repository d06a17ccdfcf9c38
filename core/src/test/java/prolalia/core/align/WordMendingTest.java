package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.Span;

class WordMendingTest {
    private static final String LINE = "the bean — drinks";
    private static final List<Word> WORDS = List.of(
            word("the", 0, 100, 300), word("bean", 4, 300, 700), word("—", 9, 700, 700), word("drinks", 11, 900, 1500));

    private static Word word(String text, int from, long start, long end) {
        return new Word(text, from, new Span(start, end));
    }

    private static List<String> spans(List<Word> words) {
        return words.stream()
                .map(word -> word.span().startMs() + "-" + word.span().endMs())
                .toList();
    }

    @Test
    void aWordThatIsMovedTakesTheEndOfItsNeighbourAlongAndStaysBetweenThem() {
        assertThat(spans(WordMending.moved(WORDS, 1, 400, 1600)))
                .containsExactly("100-400", "400-700", "700-700", "900-1500");
        // There is a pause before the last word: it may begin earlier without the word before it ending.
        assertThat(spans(WordMending.moved(WORDS, 3, 800, 1600)))
                .containsExactly("100-300", "300-700", "700-700", "800-1500");
        assertThat(spans(WordMending.moved(WORDS, 3, 0, 1600)))
                .containsExactly("100-300", "300-330", "330-330", "330-1500");
        assertThat(spans(WordMending.moved(WORDS, 1, 5000, 1600)).get(1)).isEqualTo("870-900");
    }

    @Test
    void tapsAreTakenALittleEarlierAndAllWordsStayInOrderWithinTheTake() {
        List<Word> tapped = WordMending.tapped(WORDS, List.of(350L, 650L, 1250L), 1600);
        assertThat(spans(tapped)).containsExactly("200-400", "500-900", "900-900", "1100-1600");
        List<Word> all = WordMending.tapped(WORDS, List.of(5000L, 10L, 10L), 1600);
        assertThat(WordMending.fits(all, LINE)).isTrue();
        assertThat(all).allMatch(word -> word.span().endMs() <= 1600);
    }

    @Test
    void onlyTheLinesOwnWordsFit() {
        assertThat(WordMending.fits(WORDS, LINE)).isTrue();
        assertThat(WordMending.fits(WORDS, "the bean — sleeps")).isFalse();
        assertThat(WordMending.fits(List.of(word("bean", 4, 500, 600), word("the", 0, 600, 700)), LINE))
                .isFalse();
    }
}
