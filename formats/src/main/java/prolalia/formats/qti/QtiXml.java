package prolalia.formats.qti;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;
import prolalia.formats.qti.QtiRefusedException.Reason;

/** XML elements by their plain names, whatever their prefix; nothing outside of the file is ever looked at. */
final class QtiXml {
    private QtiXml() {}

    static Element root(byte[] content) throws QtiRefusedException {
        String head = new String(content, 0, Math.min(content.length, 2_000), StandardCharsets.ISO_8859_1);
        if (head.contains("<!DOCTYPE") || head.contains("<!ENTITY")) {
            throw new QtiRefusedException(Reason.DECLARES_ENTITIES);
        }
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            DocumentBuilder builder = factory.newDocumentBuilder();
            builder.setErrorHandler(new DefaultHandler());
            return builder.parse(new ByteArrayInputStream(content)).getDocumentElement();
        } catch (SAXException broken) {
            boolean declares = String.valueOf(broken.getMessage()).contains("DOCTYPE");
            throw new QtiRefusedException(declares ? Reason.DECLARES_ENTITIES : Reason.NOT_QTI);
        } catch (ParserConfigurationException | IOException failure) {
            throw new IllegalStateException(failure);
        }
    }

    static String name(Node node) {
        return node.getLocalName() == null ? node.getNodeName() : node.getLocalName();
    }

    static List<Element> children(Element parent) {
        List<Element> children = new ArrayList<>();
        for (Node node = parent.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element) {
                children.add(element);
            }
        }
        return children;
    }

    static Stream<Element> children(Element parent, String name) {
        return children(parent).stream().filter(child -> name(child).equals(name));
    }

    /** All elements below one, in the order of the document. */
    static Stream<Element> all(Element parent) {
        return children(parent).stream().flatMap(child -> Stream.concat(Stream.of(child), all(child)));
    }

    static Stream<Element> all(Element parent, String name) {
        return all(parent).filter(element -> name(element).equals(name));
    }

    /** Its words, in one row. */
    static String words(Node node) {
        return node.getTextContent().replaceAll("\\s+", " ").strip();
    }

    static double number(Element element, String attribute, double otherwise) {
        try {
            return element.hasAttribute(attribute) ? Double.parseDouble(element.getAttribute(attribute)) : otherwise;
        } catch (NumberFormatException none) {
            return otherwise;
        }
    }
}
