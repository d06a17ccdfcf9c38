package prolalia.formats.xml;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;

/** Whatever a teacher typed, what is written is XML, and says the same. */
class XmlOutTest {
    private static Document read(byte[] xml) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(xml));
    }

    @Test
    void wordsAndAttributesComeBackAsTheyWere() throws Exception {
        String words = "a < b & \"c\" > 'd' ]]> é 漢 🙂";
        Document back = read(new XmlOut("all", "title", words)
                .element("p", words, "id", "1", "left", null)
                .empty("br")
                .end());
        assertThat(back.getDocumentElement().getAttribute("title")).isEqualTo(words);
        assertThat(back.getDocumentElement().getTextContent()).isEqualTo(words);
        assertThat(back.getElementsByTagName("br").getLength()).isEqualTo(1);
        assertThat(back.getElementsByTagName("p").item(0).getAttributes().getNamedItem("left"))
                .isNull();
    }

    @Test
    void signsThatXmlHasNoPlaceForAreLeftOut() throws Exception {
        String odd = "a\u0000b\u000bc\u001fd\ufffee\ud800f\tg\nh";
        Document back =
                read(new XmlOut("all", "title", "\u0007bell").element("p", odd).end());
        assertThat(back.getDocumentElement().getTextContent()).isEqualTo("abcdef\tg\nh");
        assertThat(back.getDocumentElement().getAttribute("title")).isEqualTo("bell");
    }

    @Test
    void whatIsOpenIsClosedAtTheEnd() {
        String xml = new String(new XmlOut("all").open("p").text("x").end(), StandardCharsets.UTF_8);
        assertThat(xml).endsWith("<all><p>x</p></all>");
    }
}
