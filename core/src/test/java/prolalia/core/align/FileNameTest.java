package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileNameTest {
    private static FileName only(String name) {
        return FileName.read(List.of(name), Set.of()).get(0);
    }

    @ParameterizedTest
    @CsvSource({
        "page 2 - 13.mp3, 2, 13",
        "p12_3.wav, 12, 3",
        "Slide7.m4a, 7, -1",
        "0042.mp3, 0, 42",
        "2026-11-03 101512.mp3, 0, 3",
        "no number.mp3, 0, -1",
        "'', 0, -1",
        "99999999999999999999.mp3, 0, -1",
        "pages.mp3, 0, -1",
    })
    void pagesAndNumbersAreRead(String name, int page, int number) {
        assertThat(only(name).page()).isEqualTo(page);
        assertThat(only(name).lastNumber(4)).isEqualTo(number);
    }

    @Test
    void wordsAreComparedWithoutCasePunctuationAndEnding() {
        assertThat(only("Don’t RUN, please (2).M4A").words()).containsExactly("don't", "run", "please");
        assertThat(only("Übung_Wörter.mp3").words()).containsExactly("übung", "wörter");
        assertThat(only("种子.mp3").words()).containsExactly("种子");
    }

    @Test
    void naturalOrderCountsNumbers() {
        List<FileName> sorted =
                FileName.read(List.of("take 10.mp3", "take 2.mp3", "Take 1.mp3", "take.mp3", "take 2 b.mp3"), Set.of())
                        .stream()
                        .sorted()
                        .toList();
        assertThat(sorted)
                .extracting(FileName::name)
                .containsExactly("take.mp3", "Take 1.mp3", "take 2.mp3", "take 2 b.mp3", "take 10.mp3");
    }

    @Test
    void whatAllNamesHaveInCommonIsATitleUnlessLinesSayIt() {
        List<FileName> titled = FileName.read(List.of("bean root.mp3", "bean leaf.mp3"), Set.of("root", "leaf"));
        assertThat(titled.get(0).words()).containsExactly("root");
        List<FileName> said = FileName.read(List.of("the root.mp3", "root again.mp3"), Set.of("the", "root"));
        assertThat(said.get(1).words()).containsExactly("root", "again");
        List<FileName> counted = FileName.read(List.of("rec 1.mp3", "rec 2.mp3"), Set.of("rec"));
        assertThat(counted.get(0).words()).isEmpty();
    }
}
