package prolalia.formats.caption;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.Span;

/** Captions, by WebVTT's own grammar (section 4.1): times, and the order that it asks of them. */
class WebVttTest {
    private static Word word(String text, long startMs, long endMs) {
        return new Word(text, 0, new Span(startMs, endMs));
    }

    @Test
    void aCueAWordAndNoneForWhatTakesNoTime() {
        assertThat(WebVtt.ofWords(List.of(word("Sow", 0, 310), word("–", 310, 310), word("beans.", 59_999, 3_661_005))))
                .isEqualTo("WEBVTT\n\n00:00:00.000 --> 00:00:00.310\nSow\n\n00:00:59.999 --> 01:01:01.005\nbeans.\n");
        assertThat(WebVtt.ofWords(List.of())).isEqualTo("WEBVTT\n");
    }

    @Test
    void aLineIsOneCueWithTheTimeOfEachWordThatComesAfterItsStart() {
        assertThat(WebVtt.ofLine(List.of(word("Sow", 200, 500), word("the", 500, 700), word("beans.", 700, 1_200))))
                .isEqualTo("WEBVTT\n\n00:00:00.200 --> 00:00:01.200\nSow <00:00:00.500>the <00:00:00.700>beans.\n");
        assertThat(WebVtt.ofLine(List.of())).isEqualTo("WEBVTT\n");
    }

    /** "Timestamps shall be greater than the cue's start, lower than its end, and greater than the one before" (4.2.2). */
    @Test
    void timesThatTheGrammarForbidsAreLeftOut() {
        assertThat(WebVtt.ofLine(
                        List.of(word("a", 100, 100), word("b", 100, 300), word("c", 300, 300), word("d", 300, 300))))
                .isEqualTo("WEBVTT\n\n00:00:00.100 --> 00:00:00.300\na b c d\n");
        assertThat(WebVtt.ofLine(List.of(word("–", 400, 400)))).contains("00:00:00.400 --> 00:00:00.401\n–\n");
    }

    @Test
    void signsOfTheFormatAreWords() {
        assertThat(WebVtt.ofWords(List.of(word("a<b>&c-->", 0, 10)))).contains("\na&lt;b&gt;&amp;c--&gt;\n");
    }
}
