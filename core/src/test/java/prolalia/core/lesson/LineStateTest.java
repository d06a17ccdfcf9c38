package prolalia.core.lesson;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LineStateTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Point to the seed.      | point to the seed        | VOICED
            Point to the seed.      | Point – to   the seed!!  | VOICED
            don't                   | don’t                    | VOICED
            ☀ the sun ☀️            | the sun                  | VOICED
            the stem                | the leaf                 | OUTDATED
            3 apples                | 4 apples                 | OUTDATED
            el niño                 | el nino                  | OUTDATED
            种子醒了。               | 种子醒了                  | VOICED
            البذرة                  | البذور                   | OUTDATED
            """)
    void onlyWhatTheEarHearsMakesATakeOutdated(String atTheTake, String now, LineState state) {
        Line line = new Line("1", LineKind.LABEL, now, Optional.of(new Take("t", atTheTake, 900, false)));
        assertThat(line.state()).isEqualTo(state);
    }

    @Test
    void aFindingMakesALineDoubtfulUnlessItIsOutdatedAnyway() {
        Optional<Take> take = Optional.of(new Take("t", "the root", 900, true));
        assertThat(new Line("1", LineKind.CHOICE, "The root.", take).state()).isEqualTo(LineState.DOUBTFUL);
        assertThat(new Line("1", LineKind.CHOICE, "the leaf", take).state()).isEqualTo(LineState.OUTDATED);
        assertThat(new Line("1", LineKind.CHOICE, "the leaf", Optional.empty()).state())
                .isEqualTo(LineState.SILENT);
    }
}
