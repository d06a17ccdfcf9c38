package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Two words and a digit: all that can be drawn can be typed, and nothing else. */
class TypedCodeTest {
    private static TypedCode drawn(int first, int second, int digit) {
        List<Integer> numbers = List.of(first, second, digit);
        int[] at = {0};
        return TypedCode.any(below -> {
            int number = numbers.get(at[0]++);
            assertThat(number).isLessThan(below);
            return number;
        });
    }

    @Test
    void theFirstAndTheLastOfAll() {
        List<String> words = TypedCode.list();
        int last = words.size() - 1;
        assertThat(drawn(0, 0, 0).words()).isEqualTo("acorn almond 2");
        assertThat(drawn(last, last - 1, 7).words()).isEqualTo(words.get(last) + " " + words.get(last - 1) + " 9");
        assertThat(TypedCode.all()).isEqualTo(words.size() * last * 8);
    }

    @Test
    void noWordComesTwiceInOne() {
        Set<String> pairs = new HashSet<>();
        int words = TypedCode.list().size();
        for (int second = 0; second < words - 1; second++) {
            String[] both = drawn(5, second, 3).words().split(" ");
            assertThat(both[0]).isNotEqualTo(both[1]);
            pairs.add(both[1]);
        }
        assertThat(pairs).hasSize(words - 1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "maple otter 7",
                "acorn amber 1",
                "acorn amber 0",
                "acorn amber",
                "acorn 3",
                "acornamber 3",
                "acorn amber 33",
                "amber acorn 3 x"
            })
    void whatIsNoCodeIsNone(String typed) {
        assertThat(TypedCode.typed(typed)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "acorn amber 3",
                " Acorn  AMBER 3 ",
                "acorn-amber-3",
                "acorn, amber, 3",
                "acorn amber3",
                "acorn/amber.3"
            })
    void itIsReadHoweverItIsWritten(String typed) {
        assertThat(TypedCode.typed(typed)).contains(new TypedCode("acorn amber 3"));
    }
}
