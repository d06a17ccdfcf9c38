package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import prolalia.core.station.StationMark;

class SignsTest {
    @Test
    void eachHasAnotherAndKeepsItWhenMoreCome() {
        List<String> ids = IntStream.range(0, 30).mapToObj(i -> "lesson " + i).toList();
        var few = Signs.of(ids.subList(0, StationMark.COUNT));
        assertThat(new HashSet<>(few.values())).hasSize(StationMark.COUNT);
        assertThat(Signs.of(ids)).hasSize(30).containsAllEntriesOf(few);
    }
}
