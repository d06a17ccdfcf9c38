package prolalia.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WebAddressTest {
    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '`',
            value = {
                "https://a.example/x|y, https://a.example/x%7Cy",
                "https://a.example/{x}[y]^<z>\", https://a.example/%7Bx%7D%5By%5D%5E%3Cz%3E%22",
                "https://a.example/50%, https://a.example/50%25",
                "https://a.example/a%20b?q=%7b#x#y, https://a.example/a%20b?q=%7b#x%23y",
                "HTTPS://a.example/ä, https://a.example/%C3%A4",
                "https://bäcker.example/€/🌱, https://b%C3%A4cker.example/%E2%82%AC/%F0%9F%8C%B1",
                "http://[::1]:80/x, http://[::1]:80/x"
            })
    void whatMustBeIsEncodedOnceAndWhatIsEncodedStays(String written, String address) {
        assertThat(WebAddress.of(written)).contains(address);
        assertThat(WebAddress.of(address)).as("once").contains(address);
        assertThat(URI.create(address).getRawAuthority()).isNotNull();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "see my page",
                "javascript:alert(1)",
                "https://",
                "https://a b.example/",
                "ftp://a.example",
                "http://|/x"
            })
    void whatIsNoAddressIsNone(String written) {
        assertThat(WebAddress.of(written)).isEmpty();
    }

    @Test
    void nothingIsNone() {
        assertThat(WebAddress.of(null)).isEmpty();
        assertThat(WebAddress.of("https://a.example/" + "x".repeat(3_000))).isEmpty();
    }
}
