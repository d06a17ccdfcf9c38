package prolalia.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.place.WordPlaces.PlacedWord;
import prolalia.core.place.WordPlaces.StandingWord;

class WordPlacesTest {
    /** Words in rows of four, each a tenth wide. */
    private static WordPlaces found(String text) {
        List<PlacedWord> words = new ArrayList<>();
        for (String word : text.split(" ")) {
            int i = words.size();
            words.add(new PlacedWord(word, new Area(0.1 + 0.2 * (i % 4), 0.1 + 0.05 * (i / 4), 0.1, 0.03)));
        }
        return WordPlaces.of(words);
    }

    private static List<String> standing(WordPlaces places, String text) {
        return places.in(text).stream()
                .map(word -> word.text() + " " + Math.round(word.areas().get(0).x() * 10) + "/"
                        + Math.round(word.areas().get(0).y() * 100))
                .toList();
    }

    @Test
    void wordsThatStayKeepTheirPlacesAndOthersLoseThem() {
        WordPlaces found = found("Cut out the four shapes.");
        assertThat(standing(found, "Cut out the four shapes."))
                .containsExactly("Cut 1/10", "out 3/10", "the 5/10", "four 7/10", "shapes. 1/15");
        assertThat(standing(found, "CUT the two shapes!")).containsExactly("CUT 1/10", "the 5/10", "shapes! 1/15");
        assertThat(standing(found, "Glue them on paper")).isEmpty();
        assertThat(standing(found, "Cut out the four shapes.")).hasSize(5);
    }

    @Test
    void theSameWordTwentyTimesKeepsTheOrder() {
        WordPlaces found = found("the ".repeat(20).strip());
        List<StandingWord> fewer = found.in("the ".repeat(19).strip());
        assertThat(fewer).hasSize(19);
        assertThat(fewer).extracting(word -> word.areas().get(0)).doesNotHaveDuplicates();
    }

    @Test
    void aWordThatGoesOnInTheNextRowHasBothPlaces() {
        WordPlaces found = WordPlaces.of(List.of(
                new PlacedWord("a", new Area(0.1, 0.1, 0.02, 0.03)),
                new PlacedWord("light-", new Area(0.8, 0.1, 0.1, 0.03)),
                new PlacedWord("house", new Area(0.1, 0.15, 0.1, 0.03))));
        assertThat(found.in("a lighthouse").get(1).areas()).extracting(Area::x).containsExactly(0.8, 0.1);
        assertThat(found.rows()).hasSize(2);
    }

    @Test
    void aLineThatIsDividedTakesItsPlacesAlongAndItsNumberStaysInFront() {
        List<WordPlaces> parts = found("3. Look up. Then look down.").sharedOut(List.of("Look up.", "Then look down."));
        assertThat(parts.get(0).words()).extracting(PlacedWord::text).containsExactly("3.", "Look", "up.");
        assertThat(parts.get(1).words()).extracting(PlacedWord::text).containsExactly("Then", "look", "down.");
        assertThat(parts.get(0).and(parts.get(1)).written())
                .isEqualTo(found("3. Look up. Then look down.").written());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "=x",
                "1,2,3=x",
                "1,2,-3,4=x",
                "99999999,1,1,1=x",
                "1,2,3,4=",
                "NaN,1,1,1=x",
                "{\"words\":[]}"
            })
    void whatIsNoPlaceIsNone(String written) {
        assertThat(new WordPlaces(written).words()).isEmpty();
        assertThat(new WordPlaces(written).in("x")).isEmpty();
    }

    @Test
    void signsAndOtherScriptsAreKept() {
        String text = "3 + 4 = ____ مرحبا 种子 🌱";
        assertThat(found(text).in(text))
                .extracting(StandingWord::text)
                .containsExactlyElementsOf(Arrays.asList(text.split(" ")));
    }
}
