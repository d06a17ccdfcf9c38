package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.intake.Marker.Type;

/** What lines on papers begin with, as papers have it. */
class MarkerTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1. Which | NUMBER | 1 | 1.",
                "12) Which | NUMBER | 12 | 12)",
                "3: Which | NUMBER | 3 | 3:",
                "(4) Which | NUMBER | 4 | (4)",
                "Q5 Which | NUMBER | 5 | Q5",
                "Question 6. Which | NUMBER | 6 | Question 6.",
                "No. 7 Which | NUMBER | 7 | No. 7",
                "8. | NUMBER | 8 | 8.",
                "A. a root | LETTER | 1 | A.",
                "b) a root | LETTER | 2 | b)",
                "(C) a root | LETTER | 3 | (C)",
                "D: a root | LETTER | 4 | D:",
                "h. a root | LETTER | 8 | h.",
                "a ) a root | LETTER | 1 | a )",
                "☐ a root | BOX | 0 | ☐",
                "○ a root | BOX | 0 | ○",
                "[ ] a root | BOX | 0 | [ ]",
                "( ) a root | BOX | 0 | ( )"
            })
    void aNumberALetterOrABox(String line, Type type, int ordinal, String marker) {
        Marker found = Marker.of(line).orElseThrow();
        assertThat(found.type()).isEqualTo(type);
        assertThat(found.ordinal()).isEqualTo(ordinal);
        assertThat(found.on(line)).isEqualTo(marker);
        assertThat(found.isSaid()).isEqualTo(type != Type.BOX);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1.5 litres",
                "1234. Which",
                "A root",
                "I. a root",
                "a: a root",
                "Ab. c",
                "1 Which",
                "(10.5) x",
                ""
            })
    void whatIsNone(String line) {
        assertThat(Marker.of(line)).isEmpty();
    }
}
