package prolalia.core.remark;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.remark.Passage.Found;

/** Passages of written work that is written on. */
class PassageTest {
    private static final String TEXT = "I like wind. 🪁 My kite goes up and my kite comes down.";

    private static String said(String text, Optional<Found> found) {
        return found.map(each -> text.substring(
                        text.offsetByCodePoints(0, each.start()), text.offsetByCodePoints(0, each.end())))
                .orElse(null);
    }

    private static Passage passage(String words, String in, int nth) {
        int at = -1;
        for (int i = 0; i < nth; i++) {
            at = in.indexOf(words, at + 1);
        }
        int start = in.codePointCount(0, at);
        return Passage.of(in, start, start + words.codePointCount(0, words.length()));
    }

    @Test
    void aPassageIsFoundWhereverItWentAndOfTwoTheOneThatWasMeant() {
        Passage second = passage("kite", TEXT, 2);
        assertThat(second.exact()).isEqualTo("kite");
        assertThat(second.in(TEXT)).contains(new Found(second.start(), second.end(), false));
        String edited = "Yesterday I flew it. " + TEXT.replace("goes up", "flies very high up");
        Optional<Found> found = second.in(edited);
        assertThat(said(edited, found)).isEqualTo("kite");
        assertThat(found.orElseThrow().start())
                .as("the one that comes down")
                .isGreaterThan(edited.codePointCount(0, edited.indexOf("and my")));
    }

    @Test
    void aPassageWhoseWordsWereMendedIsWhatStandsThereAndOneThatIsGoneSaysSo() {
        Passage goes = passage("goes up", TEXT, 1);
        String mended = TEXT.replace("goes up", "went up");
        assertThat(said(mended, goes.in(mended))).isEqualTo("went up");
        assertThat(goes.in(mended).orElseThrow().changed()).isTrue();
        assertThat(goes.in("I do not want to write about that.")).isEmpty();
        assertThat(goes.in("")).isEmpty();
        assertThat(Passage.of(TEXT, 0, 999).in("other")).isEmpty();
        assertThat(Passage.of("", 3, 9).in(TEXT)).isEmpty();
        // All that was between is gone.
        assertThat(goes.in("I like wind. 🪁 My kite and my kite comes down.")).isEmpty();
    }
}
