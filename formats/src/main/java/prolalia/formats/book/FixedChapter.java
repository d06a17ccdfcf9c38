package prolalia.formats.book;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.StandingWord;
import prolalia.formats.xml.XmlOut;

/**
 * A page of a book that looks as it was given (EPUB 3.3, 8.2): its picture, and over it the words where they stand, unseen until
 * they are said.
 */
final class FixedChapter extends BookChapter {
    /** Pages are so wide, in CSS pixels. */
    private static final int WIDTH = 1_200;

    /** The size of a font by the height of its words. */
    private static final double FONT = 0.75;

    private final double aspect;
    private final String picture;
    private final String shows;
    private final Map<Part, Area> areas = new HashMap<>();

    /**
     * @param aspect width by height of the page
     * @param picture the file of its picture
     * @param shows what is seen on it
     */
    FixedChapter(String name, String title, String lang, double aspect, String picture, String shows) {
        super(name, title, lang, true);
        this.aspect = aspect;
        this.picture = picture;
        this.shows = shows == null ? "" : shows;
    }

    /** What was added last stands there. */
    void at(Area area) {
        areas.put(parts().get(parts().size() - 1), area);
    }

    @Override
    boolean isFixed() {
        return true;
    }

    private double height() {
        return WIDTH / aspect;
    }

    @Override
    byte[] text() {
        XmlOut xml = document();
        xml.open("head")
                .element("title", title())
                .empty("meta", "name", "viewport", "content", "width=" + WIDTH + ", height=" + Math.round(height()))
                .empty("link", "rel", "stylesheet", "type", "text/css", "href", "book.css")
                .close();
        xml.open("body", "class", "paper", "style", "width:" + WIDTH + "px;height:" + Math.round(height()) + "px");
        xml.empty("img", "class", "ground", "src", picture, "alt", shows);
        int number = 0;
        for (Part part : parts()) {
            number++;
            Area area = areas.getOrDefault(part, Area.WHOLE);
            if (part instanceof PicturePart placed) {
                xml.empty("img", "src", placed.file(), "alt", placed.shows(), "style", style(area));
            } else if (part instanceof Paragraph paragraph) {
                xml.element("p", paragraph.words(), "style", style(area));
            } else if (part instanceof Link link) {
                xml.open("a", "class", "way", "href", link.way().to(), "style", style(area))
                        .element("span", link.way().words())
                        .close();
            } else {
                line((LinePart) part, id(number), area, xml);
            }
        }
        return xml.close().end();
    }

    private void line(LinePart part, String id, Area area, XmlOut xml) {
        xml.open(
                "p",
                "id",
                id,
                "class",
                "unseen",
                "dir",
                "auto",
                "lang",
                part.line().line().traits().lang());
        List<StandingWord> standing =
                part.line().line().traits().places().in(part.line().words());
        if (part.words().isEmpty()) {
            letters(part.line().words(), rows(standing, area), xml);
        }
        int number = 0;
        for (Word word : part.words()) {
            List<Area> places = standing.stream()
                    .filter(found -> word.from() >= found.from()
                            && word.from() < found.from() + found.text().length())
                    .map(StandingWord::areas)
                    .findFirst()
                    .orElse(List.of());
            xml.open("span", "id", id + "w" + ++number);
            letters(word.text() + " ", places, xml);
            xml.close();
        }
        xml.close();
    }

    private static List<Area> rows(List<StandingWord> words, Area area) {
        List<Area> rows = new ArrayList<>();
        words.forEach(word -> rows.addAll(word.areas()));
        return rows.isEmpty() ? List.of(area) : rows;
    }

    /** Words over their places; what stands nowhere is there to be heard. */
    private void letters(String words, List<Area> places, XmlOut xml) {
        if (places.isEmpty()) {
            xml.text(words);
        }
        for (int i = 0; i < places.size(); i++) {
            xml.element("i", i == 0 ? words : "", "style", style(places.get(i)));
        }
    }

    private String style(Area area) {
        return String.format(
                Locale.ROOT,
                "left:%.2fpx;top:%.2fpx;width:%.2fpx;height:%.2fpx;font-size:%.1fpx",
                area.x() * WIDTH,
                area.y() * height(),
                area.w() * WIDTH,
                area.h() * height(),
                Math.max(1, area.h() * height() * FONT));
    }
}
