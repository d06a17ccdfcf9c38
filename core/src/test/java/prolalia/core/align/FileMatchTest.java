package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.align.FileMatch.How;
import prolalia.core.align.FileMatch.Match;
import prolalia.core.align.FileMatch.ScriptPlace;

class FileMatchTest {
    private static final List<ScriptPlace> SCRIPT = List.of(
            new ScriptPlace(1, "Look at the picture. Point to the seed that is awake."),
            new ScriptPlace(1, "A bean sleeps in the dry soil."),
            new ScriptPlace(2, "Which part comes out of the seed first?"),
            new ScriptPlace(2, "the root"),
            new ScriptPlace(2, "the leaf"),
            new ScriptPlace(3, "Now draw the bean."));

    private static List<Integer> lines(String... names) {
        return FileMatch.of(List.of(names), SCRIPT).stream().map(Match::line).toList();
    }

    private static Match only(String name) {
        return FileMatch.of(List.of(name, "zzz"), SCRIPT).get(0);
    }

    @Test
    void numbersInNamesAreLinesWhateverElseTheNamesHaveInCommon() {
        assertThat(lines(
                        "bean 2026-11-03 (1).m4a",
                        "bean 2026-11-03 (3).m4a",
                        "bean 2026-11-03 (2).m4a",
                        "bean 2026-11-03 (6).m4a"))
                .containsExactly(0, 2, 1, 5);
        assertThat(lines("00.mp3", "01.mp3", "05.mp3")).containsExactly(0, 1, 5);
        assertThat(lines("line10.wav", "line2.wav")).containsExactly(-1, 1);
    }

    @Test
    void aPageAndANumberAreALineOfThePage() {
        assertThat(lines("page 2 - 1.mp3", "page 2 - 3.mp3", "p1_2.mp3")).containsExactly(2, 4, 1);
        assertThat(lines("2-2.mp3", "1-1.mp3", "3-1.mp3")).containsExactly(3, 0, 5);
    }

    @Test
    void asManyFilesAsPagesArePages() {
        List<Match> matches = FileMatch.of(List.of("1.mp3", "2.mp3", "3.mp3"), SCRIPT);
        assertThat(matches).extracting(Match::page).containsExactly(1, 2, 0);
        // The last page has one line.
        assertThat(matches.get(2).line()).isEqualTo(5);
        assertThat(only("slide 2.mp3").page()).isEqualTo(2);
    }

    @Test
    void wordsInNamesSayTheirLine() {
        assertThat(lines("The ROOT.m4a", "the leaf.m4a", "which part comes first.m4a", "a bean sleeps (2).m4a"))
                .containsExactly(3, 4, 2, 1);
        // "The" is in many lines and tells none.
        assertThat(only("the.m4a").how()).isNotEqualTo(How.WORDS);
    }

    @Test
    void namesThatTellNothingGoByTheirNaturalOrder() {
        List<Match> matches = FileMatch.of(List.of("New Recording 20261103100512.m4a", "New Recording.m4a"), SCRIPT);
        assertThat(matches).extracting(Match::how).containsOnly(How.ORDER);
        assertThat(matches).extracting(Match::line).containsExactly(1, 0);
        assertThat(lines("a.wav", "c.wav", "b.wav", "d.wav")).containsExactly(0, 2, 1, 3);
        // As many as the pages: the last one has one line.
        assertThat(FileMatch.of(List.of("a.wav", "c.wav", "b.wav"), SCRIPT))
                .containsExactly(new Match(How.ORDER, -1, 1), new Match(How.ORDER, 5, 0), new Match(How.ORDER, -1, 2));
    }

    @Test
    void twoFilesMayClaimTheSameLineAndMoreFilesThanLinesAreLeftOver() {
        assertThat(lines("the root.mp3", "root, again.mp3")).containsExactly(3, 3);
        assertThat(lines("a", "b", "c", "d", "e", "f", "g", "h")).containsExactly(0, 1, 2, 3, 4, 5, -1, -1);
        assertThat(FileMatch.of(List.of("", ".mp3", "🎤.mp3"), List.of()))
                .extracting(Match::how)
                .containsOnly(How.NOTHING);
    }
}
