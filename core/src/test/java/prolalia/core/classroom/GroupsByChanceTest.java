package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class GroupsByChanceTest {
    @Test
    void everyChildIsInOneGroupAndEveryDealingIsAsLikely() {
        List<String> children =
                IntStream.range(0, 27).mapToObj(Integer::toString).toList();
        List<List<String>> dealt = GroupsByChance.of(children, 4, new Random(1));
        assertThat(dealt).extracting(List::size).containsExactly(7, 7, 7, 6);
        assertThat(dealt.stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(children);
        assertThat(GroupsByChance.of(List.of("a"), 3, new Random(1)))
                .extracting(List::size)
                .containsExactly(1, 0, 0);
        Random chance = new Random(2);
        Map<List<List<String>>, Integer> found = new HashMap<>();
        for (int i = 0; i < 24_000; i++) {
            found.merge(GroupsByChance.of(List.of("a", "b", "c", "d"), 4, chance), 1, Integer::sum);
        }
        assertThat(found).hasSize(24);
        assertThat(found.values()).allSatisfy(times -> assertThat(times).isBetween(850, 1_150));
    }
}
