package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.code.CodeSymbol.Level;

/** Against ISO/IEC 18004: table 7's capacities at level M, to the character. */
class CodeSymbolTest {
    @ParameterizedTest
    @CsvSource({"1, 20, 14", "9, 262, 180", "10, 311, 213", "26, 1542, 1059", "27, 1637, 1125", "40, 3391, 2331"})
    void aVersionHoldsAsMuchAsTheStandardSays(int version, int letters, int bytes) throws Exception {
        assertThat(CodeSymbol.of("A".repeat(letters)).version()).isEqualTo(version);
        assertThat(CodeSymbol.of("a".repeat(bytes)).version()).isEqualTo(version);
        if (version < 40) {
            assertThat(CodeSymbol.of("A".repeat(letters + 1)).version()).isEqualTo(version + 1);
            assertThat(CodeSymbol.of("a".repeat(bytes + 1)).version()).isEqualTo(version + 1);
        }
    }

    @Test
    void whatRoomIsLeftMakesItSafer() throws Exception {
        assertThat(CodeSymbol.of("A".repeat(10)).level()).as("1-H holds ten").isEqualTo(Level.H);
        assertThat(CodeSymbol.of("A".repeat(11)).level())
                .as("1-Q holds sixteen")
                .isEqualTo(Level.Q);
        assertThat(CodeSymbol.of("A".repeat(17)).level()).isEqualTo(Level.M);
    }

    @Test
    void fourModulesOfNothingStandOnEverySide() throws Exception {
        CodeSymbol symbol = CodeSymbol.of("A");
        assertThat(symbol.modules()).isEqualTo(21);
        assertThat(symbol.modulesWithQuietZone()).isEqualTo(29);
        assertThat(CodeSymbol.of("A".repeat(3_391)).modules()).isEqualTo(177);
    }

    @Test
    void lettersOfOtherWritingsTakeTheirBytes() throws Exception {
        assertThat(CodeSymbol.of("é".repeat(6)).version()).isEqualTo(1);
        assertThat(CodeSymbol.of("é".repeat(7)).version())
                .as("twelve bits say that it is UTF-8")
                .isEqualTo(2);
        assertThat(CodeSymbol.isAlphanumeric("HTTPS://A.B/C-1 $%*+")).isTrue();
        assertThat(CodeSymbol.isAlphanumeric("a")).isFalse();
    }
}
