package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordChangesTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            the stem                  | the leaf                    | the -stem +leaf
            Point to the seed         | Point to the big seed now.  | Point to the +big seed +now.
            one two three             | three                       | -one two three
            The root, first!          | the root first              | the root first
            a b c d                   | x b y d                     | -a +x b -c +y d
            same                      | ''                          | -same
            """)
    void theChangedWordsAreShownInTheirPlaces(String before, String now, String shown) {
        String parts = WordChanges.between(before, now).stream()
                .map(part -> switch (part.change()) {
                    case STAYED -> part.words();
                    case REMOVED -> "-" + part.words();
                    case ADDED -> "+" + part.words();
                })
                .collect(Collectors.joining(" "));
        assertThat(parts).isEqualTo(shown);
    }
}
