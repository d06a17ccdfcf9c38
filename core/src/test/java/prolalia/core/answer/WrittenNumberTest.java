package prolalia.core.answer;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.answer.NumberKey.DecimalSign;

/** Numbers as children write them, in any country, with whatever stands around them. */
class WrittenNumberTest {
    private static List<String> values(String written, DecimalSign sign) {
        return WrittenNumber.readings(written, sign).stream()
                .map(each -> each.value().stripTrailingZeros().toPlainString())
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12 | 12",
                "  -3 | -3",
                "+7 | 7",
                "- 4 | -4",
                "2.50 | 2.5",
                ".5 | 0.5",
                "5. | 5",
                "1,250 | 1250",
                "12,345,678.9 | 12345678.9",
                "1 250 | 1250",
                "1'250.5 | 1250.5",
                "3/4 | 0.75",
                "-1/2 | -0.5",
                "1 1/2 | 1.5",
                "1½ | 1.5",
                "¾ | 0.75",
                "1⁄4 | 0.25",
                "−8 | -8",
                "–8 | -8",
                "٣٤ | 34",
                "३ | 3",
                "１２ | 12"
            })
    void withAPointForDecimals(String written, String value) {
        assertThat(values(written, DecimalSign.POINT)).containsExactly(value);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"2,5 | 2.5", "1.250 | 1250", "1.250,75 | 1250.75", "0,125 | 0.125", "1 250,5 | 1250.5"})
    void withACommaForDecimals(String written, String value) {
        assertThat(values(written, DecimalSign.COMMA)).containsExactly(value);
    }

    @Test
    void whereEitherSignMayPartDecimalsBothAreRead() {
        assertThat(values("1,250", DecimalSign.EITHER)).containsExactlyInAnyOrder("1250", "1.25");
        assertThat(values("1.5", DecimalSign.EITHER)).containsExactly("1.5");
        assertThat(values("7", DecimalSign.EITHER)).contains("7");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"''", "ten", "1/0", "12,34", "1,2,3", "1.2.3", "4 5", "--4", "1/2/3", ".", ",", "1,2500"})
    void whatIsNoNumberIsNone(String written) {
        assertThat(values(written, DecimalSign.POINT)).isEmpty();
    }

    @Test
    void whatIsLongerThanAnyAnswerIsNone() {
        assertThat(values("1".repeat(60), DecimalSign.POINT)).hasSize(1);
        assertThat(values("1".repeat(61), DecimalSign.POINT)).isEmpty();
    }

    @Test
    void aUnitIsTheSameHoweverItIsSpaced() {
        WrittenNumber speed =
                WrittenNumber.readings("36 km / h.", DecimalSign.POINT).get(0);
        assertThat(speed.value()).isEqualByComparingTo(BigDecimal.valueOf(36));
        assertThat(speed.hasUnit("km/h")).isTrue();
        assertThat(speed.hasUnit("km")).isFalse();
        for (String area : List.of("5 cm²", "5cm2", "5 cm 2")) {
            assertThat(WrittenNumber.readings(area, DecimalSign.POINT).stream().anyMatch(each -> each.hasUnit("cm²")))
                    .as(area)
                    .isEqualTo(!area.endsWith(" 2"));
        }
        assertThat(WrittenNumber.readings("5", DecimalSign.POINT).get(0).hasUnit(""))
                .isTrue();
        assertThat(WrittenNumber.readings("1½ kg", DecimalSign.POINT).get(0).unit())
                .isEqualTo("kg");
    }
}
