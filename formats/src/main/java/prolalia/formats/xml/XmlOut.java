package prolalia.formats.xml;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes XML, element by element; signs that XML 1.0 has no place for are left out. */
public final class XmlOut {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final XMLStreamWriter out;

    /** @param attributes of the root, name and value in turns */
    public XmlOut(String root, String... attributes) {
        try {
            out = XMLOutputFactory.newFactory().createXMLStreamWriter(bytes, "UTF-8");
            out.writeStartDocument("UTF-8", "1.0");
            open(root, attributes);
        } catch (XMLStreamException failure) {
            throw new IllegalStateException(failure);
        }
    }

    public XmlOut open(String name, String... attributes) {
        return tried(() -> {
            out.writeStartElement(name);
            writeAttributes(attributes);
        });
    }

    public XmlOut close() {
        return tried(out::writeEndElement);
    }

    public XmlOut empty(String name, String... attributes) {
        return tried(() -> {
            out.writeEmptyElement(name);
            writeAttributes(attributes);
        });
    }

    public XmlOut text(String words) {
        return tried(() -> out.writeCharacters(plain(words)));
    }

    /** An element with nothing but words in it. */
    public XmlOut element(String name, String words, String... attributes) {
        return open(name, attributes).text(words).close();
    }

    public byte[] end() {
        tried(out::writeEndDocument);
        tried(out::flush);
        return bytes.toByteArray();
    }

    @Override
    public String toString() {
        return bytes.toString(StandardCharsets.UTF_8);
    }

    private void writeAttributes(String... attributes) throws XMLStreamException {
        for (int i = 0; i < attributes.length; i += 2) {
            if (attributes[i + 1] != null) {
                out.writeAttribute(attributes[i], plain(attributes[i + 1]));
            }
        }
    }

    /** XML 1.0, production 2: Char. */
    private static String plain(String words) {
        StringBuilder plain = new StringBuilder();
        words.codePoints()
                .filter(sign -> sign == '\t'
                        || sign == '\n'
                        || sign == '\r'
                        || sign >= 0x20 && sign <= 0xd7ff
                        || sign >= 0xe000 && sign <= 0xfffd
                        || sign >= 0x10000)
                .forEach(plain::appendCodePoint);
        return plain.toString();
    }

    private interface Writing {
        void go() throws XMLStreamException;
    }

    private XmlOut tried(Writing writing) {
        try {
            writing.go();
        } catch (XMLStreamException failure) {
            throw new IllegalStateException(failure);
        }
        return this;
    }
}
