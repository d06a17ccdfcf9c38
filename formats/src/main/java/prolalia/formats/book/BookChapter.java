package prolalia.formats.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineTraits;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.formats.xml.XmlOut;

/** A chapter of a book: its text, and the overlay that says when each word of it is heard. */
sealed class BookChapter permits FixedChapter {
    private final String name;
    private final String title;
    private final String lang;
    private final boolean inReadingOrder;
    private final List<Part> parts = new ArrayList<>();
    private long durationMs;

    /**
     * @param name of its files, without their endings
     * @param lang of its words (BCP 47)
     * @param inReadingOrder otherwise only links lead to it
     */
    BookChapter(String name, String title, String lang, boolean inReadingOrder) {
        this.name = name;
        this.title = title;
        this.lang = lang;
        this.inReadingOrder = inReadingOrder;
    }

    /** A link. */
    record Way(String to, String words) {}

    sealed interface Part {}

    record PicturePart(String file, String shows) implements Part {}

    record Paragraph(String words) implements Part {}

    record Link(Way way) implements Part {}

    /** @param sound null when it is silent @param words that are said and when; empty when that isn't known */
    record LinePart(PublishedLine line, String sound, List<Word> words, String icon, String iconSays) implements Part {}

    void picture(String file, String shows) {
        parts.add(new PicturePart(file, shows == null ? "" : shows));
    }

    void paragraph(String words) {
        parts.add(new Paragraph(words));
    }

    void way(Way way) {
        parts.add(new Link(way));
    }

    void line(PublishedLine line, String sound, List<Word> words, String icon, String iconSays) {
        List<Word> said =
                words.stream().filter(word -> word.span().durationMs() > 0).toList();
        parts.add(new LinePart(line, sound, said, icon, iconSays));
        durationMs += sound == null ? 0 : line.durationMs();
    }

    String name() {
        return name;
    }

    String title() {
        return title;
    }

    boolean isInReadingOrder() {
        return inReadingOrder;
    }

    boolean isHeard() {
        return durationMs > 0;
    }

    long durationMs() {
        return durationMs;
    }

    List<Part> parts() {
        return parts;
    }

    /** Whether it looks as it was given. */
    boolean isFixed() {
        return false;
    }

    XmlOut document() {
        return new XmlOut("html", "xmlns", "http://www.w3.org/1999/xhtml", "lang", lang, "xml:lang", lang);
    }

    /** XHTML (EPUB 3.3, 6.1). */
    byte[] text() {
        XmlOut xml = document();
        xml.open("head")
                .element("title", title)
                .empty("link", "rel", "stylesheet", "type", "text/css", "href", "book.css")
                .close();
        xml.open("body").element("h1", title, "lang", ours(), "xml:lang", ours());
        int number = 0;
        for (Part part : parts) {
            number++;
            if (part instanceof PicturePart picture) {
                xml.open("p", "class", "picture")
                        .empty("img", "src", picture.file(), "alt", picture.shows())
                        .close();
            } else if (part instanceof Paragraph paragraph) {
                xml.element("p", paragraph.words(), "lang", ours(), "xml:lang", ours());
            } else if (part instanceof Link link) {
                xml.open("p", "class", "way")
                        .element("a", link.way().words(), "href", link.way().to(), "lang", ours(), "xml:lang", ours())
                        .close();
            } else {
                line((LinePart) part, id(number), xml);
            }
        }
        return xml.close().end();
    }

    /** The language of words that aren't the lesson's but ours; null when it is the same. */
    private String ours() {
        return LessonSettings.USUAL_LANG.equals(lang) ? null : LessonSettings.USUAL_LANG;
    }

    private static void line(LinePart part, String id, XmlOut xml) {
        LineTraits is = part.line().line().traits();
        String kind = is.kind().name().toLowerCase(Locale.ROOT);
        xml.open("p", "id", id, "class", kind, "dir", "auto", "lang", is.lang(), "xml:lang", is.lang());
        if (part.icon() != null) {
            xml.empty("img", "class", "step", "src", part.icon(), "alt", part.iconSays())
                    .text(" ");
        }
        if (is.label() != null) {
            xml.element("b", is.label()).text(" ");
        }
        String words = part.line().words();
        int at = 0;
        int number = 0;
        for (Word word : part.words()) {
            xml.text(words.substring(at, word.from()));
            xml.element("span", word.text(), "id", id + "w" + ++number);
            at = word.from() + word.text().length();
        }
        xml.text(words.substring(at)).close();
    }

    /** A Media Overlay Document (EPUB 3.3, 9.2): word by word; a line whose words have no times as a whole. */
    byte[] overlay() {
        XmlOut xml = new XmlOut(
                "smil",
                "xmlns",
                "http://www.w3.org/ns/SMIL",
                "xmlns:epub",
                "http://www.idpf.org/2007/ops",
                "version",
                "3.0");
        xml.open("body");
        int number = 0;
        for (Part part : parts) {
            number++;
            if (part instanceof LinePart line && line.sound() != null) {
                overlay(line, id(number), xml);
            }
        }
        return xml.close().end();
    }

    private void overlay(LinePart part, String id, XmlOut xml) {
        long end = part.line().durationMs();
        if (part.words().isEmpty()) {
            clip(xml, id, part.sound(), 0, end);
            return;
        }
        xml.open("seq", "epub:textref", name + ".xhtml#" + id);
        for (int i = 0; i < part.words().size(); i++) {
            // Each goes on up to the next one, so that nothing of the sound is left out.
            long from = i == 0 ? 0 : part.words().get(i).span().startMs();
            long to =
                    i + 1 < part.words().size() ? part.words().get(i + 1).span().startMs() : end;
            clip(xml, id + "w" + (i + 1), part.sound(), from, Math.max(from + 1, to));
        }
        xml.close();
    }

    private void clip(XmlOut xml, String id, String sound, long fromMs, long toMs) {
        xml.open("par")
                .empty("text", "src", name + ".xhtml#" + id)
                .empty("audio", "src", sound, "clipBegin", seconds(fromMs), "clipEnd", seconds(toMs))
                .close();
    }

    /** A clock value (SMIL 3.0, timing and synchronization). */
    static String seconds(long ms) {
        return String.format(Locale.ROOT, "%d.%03ds", ms / 1000, ms % 1000);
    }

    static String id(int number) {
        return "l" + number;
    }
}
