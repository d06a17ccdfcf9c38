package prolalia.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.formats.table.Table.TooManyRowsException;

/** Tables as offices save them. */
class TableTest {
    private static final String TEXT = "name;größe\nZoë;1,20\n\n;\n\"Bo \"\"B\"\"; Lee\";1,15\n";
    private static final List<List<String>> ROWS =
            List.of(List.of("name", "größe"), List.of("Zoë", "1,20"), List.of("Bo \"B\"; Lee", "1,15"));

    private static List<List<String>> rows(byte[] file) throws Exception {
        return Table.read(file, 100).rows();
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
    void everyEncodingIsToldByWhatIsInIt(String charset) throws Exception {
        assertThat(rows(TEXT.getBytes(Charset.forName(charset)))).isEqualTo(ROWS);
        if (charset.startsWith("UTF")) {
            assertThat(rows(("\ufeff" + TEXT).getBytes(Charset.forName(charset))))
                    .isEqualTo(ROWS);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void whatPartsCellsIsToldByTheFirstLine(String delimiter) throws Exception {
        String text = String.join(delimiter, "a", "b", "c") + "\r\n" + String.join(delimiter, "1", " 2 ", "\"3\"");
        assertThat(rows(text.getBytes(StandardCharsets.UTF_8)))
                .containsExactly(List.of("a", "b", "c"), List.of("1", "2", "3"));
    }

    @Test
    void whatIsBrokenIsReadAsFarAsItGoes() throws Exception {
        assertThat(rows("a,b\n1,\"never closed".getBytes(StandardCharsets.UTF_8)))
                .containsExactly(List.of("a", "b"), List.of("1", "never closed"));
        assertThat(rows("a,b\n\"x\" y,2".getBytes(StandardCharsets.UTF_8))).hasSize(2);
        assertThat(rows(new byte[0])).isEmpty();
        assertThat(rows(new byte[] {(byte) 0xff})).hasSize(1);
    }

    @Test
    void moreRowsThanAnybodyLooksOverAreRefused() {
        byte[] many = "x\n".repeat(500).getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> Table.read(many, 100)).isInstanceOf(TooManyRowsException.class);
    }
}
