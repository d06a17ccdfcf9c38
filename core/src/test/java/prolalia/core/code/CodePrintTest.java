package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** How large a code is printed: a tenth of the distance, and never finer than can be read. */
class CodePrintTest {
    private final CodeSymbol symbol = CodeSymbol.of("A".repeat(20));

    CodePrintTest() throws Exception {}

    @Test
    void aTenthOfTheDistanceWithoutItsQuietZone() {
        CodePrint print = CodePrint.forDistance(symbol, 420);
        assertThat(print.widthMm()).isCloseTo(42, within(1e-9));
        assertThat(print.moduleMm()).isCloseTo(2, within(1e-9));
        assertThat(print.quietZoneMm()).isCloseTo(8, within(1e-9));
        assertThat(print.sideMm()).isCloseTo(58, within(1e-9));
        assertThat(print.distanceMm()).isCloseTo(420, within(1e-9));
    }

    @Test
    void aSquareIsFilledOrTooSmall() {
        assertThat(CodePrint.within(symbol, 29).orElseThrow().moduleMm()).isCloseTo(1, within(1e-9));
        assertThat(CodePrint.within(symbol, 14.5)).isPresent();
        assertThat(CodePrint.within(symbol, 14.4)).isEmpty();
    }

    @Test
    void noneIsFinerThanCanBeRead() {
        assertThat(CodePrint.forDistance(symbol, 50).moduleMm()).isEqualTo(CodePrint.SMALLEST_MODULE_MM);
        assertThatThrownBy(() -> new CodePrint(symbol, 0.49)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new CodePrint(symbol, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }
}
