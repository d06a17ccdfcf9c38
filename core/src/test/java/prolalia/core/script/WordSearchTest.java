package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordSearchTest {
    @ParameterizedTest
    @CsvSource({
        "'', Anything, true",
        "'  ', Anything, true",
        "part, Now show your partner., true",
        "show now, Now show your partner., true",
        "how, Now show your partner., false",
        "uber eis, Über Eis und Schnee, true",
        "élève, L’eleve lit., true",
        "DON'T, Don’t run., true",
        "种, 种子醒了。, true",
        "seed bean, Which part comes out of the seed?, false",
        "'?!', Anything, true",
        "2, Page 2, true",
    })
    void findsBeginningsOfWordsInAnyOrder(String query, String text, boolean found) {
        assertThat(new WordSearch(query).finds(text)).isEqualTo(found);
    }

    @ParameterizedTest
    @CsvSource({"bean seed, true", "bean leaf, false"})
    void wordsMayStandInSeveralTexts(String query, boolean found) {
        assertThat(new WordSearch(query).finds("Which part comes out of the seed?", "How a bean wakes up"))
                .isEqualTo(found);
    }
}
