package prolalia.formats.book;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import prolalia.formats.xml.XmlOut;

/**
 * The package of a book (EPUB 3.3, 5).
 *
 * @param lang of its words (BCP 47)
 * @param changed to the second
 * @param parts its other files, with their media types
 */
record BookPackage(
        UUID id, String title, String lang, Instant changed, List<BookChapter> chapters, Map<String, String> parts) {
    private static final String XHTML = "application/xhtml+xml";

    static byte[] container(String packageDocument) {
        return new XmlOut("container", "xmlns", "urn:oasis:names:tc:opendocument:xmlns:container", "version", "1.0")
                .open("rootfiles")
                .empty("rootfile", "full-path", packageDocument, "media-type", "application/oebps-package+xml")
                .close()
                .end();
    }

    static byte[] navigation(String title, String lang, List<BookChapter> chapters) {
        XmlOut xml = new XmlOut(
                "html",
                "xmlns",
                "http://www.w3.org/1999/xhtml",
                "xmlns:epub",
                "http://www.idpf.org/2007/ops",
                "lang",
                lang,
                "xml:lang",
                lang);
        xml.open("head").element("title", titled(title)).close();
        xml.open("body")
                .open("nav", "epub:type", "toc")
                .element("h1", titled(title))
                .open("ol");
        chapters.stream()
                .filter(BookChapter::isInReadingOrder)
                .forEach(chapter -> xml.open("li")
                        .element("a", chapter.title(), "href", chapter.name() + ".xhtml")
                        .close());
        return xml.close().close().close().end();
    }

    private static String titled(String title) {
        return title.isBlank() ? "-" : title;
    }

    byte[] packageDocument() {
        XmlOut xml = new XmlOut(
                "package",
                "xmlns",
                "http://www.idpf.org/2007/opf",
                "version",
                "3.0",
                "unique-identifier",
                "id",
                "xml:lang",
                lang);
        metadata(xml);
        manifest(xml);
        xml.open("spine");
        for (BookChapter chapter : chapters) {
            xml.empty(
                    "itemref",
                    "idref",
                    chapter.name(),
                    "linear",
                    chapter.isInReadingOrder() ? null : "no",
                    "properties",
                    hasPages() && !chapter.isFixed() ? "rendition:layout-reflowable" : null);
        }
        return xml.close().end();
    }

    private boolean hasPages() {
        return chapters.stream().anyMatch(BookChapter::isFixed);
    }

    private void metadata(XmlOut xml) {
        xml.open("metadata", "xmlns:dc", "http://purl.org/dc/elements/1.1/")
                .element("dc:identifier", "urn:uuid:" + id, "id", "id")
                .element("dc:title", titled(title))
                .element("dc:language", lang)
                .element("meta", changed.toString(), "property", "dcterms:modified");
        if (hasPages()) {
            xml.element("meta", "pre-paginated", "property", "rendition:layout")
                    .element("meta", "none", "property", "rendition:spread");
        }
        boolean heard = chapters.stream().anyMatch(BookChapter::isHeard);
        if (heard) {
            long all = chapters.stream().mapToLong(BookChapter::durationMs).sum();
            xml.element("meta", BookChapter.seconds(all), "property", "media:duration")
                    .element("meta", "lit", "property", "media:active-class");
            chapters.stream()
                    .filter(BookChapter::isHeard)
                    .forEach(chapter -> xml.element(
                            "meta",
                            BookChapter.seconds(chapter.durationMs()),
                            "property",
                            "media:duration",
                            "refines",
                            "#" + chapter.name() + "-overlay"));
            xml.element("meta", "synchronizedAudioText", "property", "schema:accessibilityFeature")
                    .element("meta", "auditory", "property", "schema:accessMode");
        }
        xml.element("meta", "textual", "property", "schema:accessMode")
                .element("meta", "visual", "property", "schema:accessMode")
                .element("meta", "none", "property", "schema:accessibilityHazard")
                .close();
    }

    private void manifest(XmlOut xml) {
        xml.open("manifest").empty("item", "id", "nav", "href", "nav.xhtml", "media-type", XHTML, "properties", "nav");
        for (BookChapter chapter : chapters) {
            String overlay = chapter.isHeard() ? chapter.name() + "-overlay" : null;
            xml.empty(
                    "item",
                    "id",
                    chapter.name(),
                    "href",
                    chapter.name() + ".xhtml",
                    "media-type",
                    XHTML,
                    "media-overlay",
                    overlay);
            if (overlay != null) {
                xml.empty(
                        "item", "id", overlay, "href", chapter.name() + ".smil", "media-type", "application/smil+xml");
            }
        }
        int number = 0;
        for (Map.Entry<String, String> part : parts.entrySet()) {
            xml.empty("item", "id", "part-" + ++number, "href", part.getKey(), "media-type", part.getValue());
        }
        xml.close();
    }
}
