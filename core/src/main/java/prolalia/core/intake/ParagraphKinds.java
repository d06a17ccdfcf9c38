package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;

/** Finds lines where a file keeps paragraphs: their places are known, their kinds are not. */
public final class ParagraphKinds {
    private ParagraphKinds() {}

    /**
     * A paragraph as a file has it.
     *
     * @param text in one row
     * @param title whether the file says that it is a title
     * @param bold whether all of it is
     * @param words where its words stand, as far as that is known
     */
    public record Paragraph(String text, Area area, boolean title, boolean bold, WordPlaces words) {
        public Paragraph(String text, Area area, boolean title, boolean bold) {
            this(text, area, title, bold, WordPlaces.NONE);
        }

        /** Its parts one after another, each with its share of the words, and where they stand. */
        public List<Paragraph> in(List<Paragraph> parts) {
            List<WordPlaces> shares =
                    words.sharedOut(parts.stream().map(Paragraph::text).toList());
            List<Paragraph> placed = new ArrayList<>();
            for (int i = 0; i < parts.size(); i++) {
                WordPlaces share = shares.get(i);
                Area where = share.whole().orElse(parts.get(i).area());
                placed.add(new Paragraph(parts.get(i).text(), where, title, bold, share));
            }
            return placed;
        }
    }

    /** Whether a text begins with a number, a letter or a box, as questions and choices do. */
    public static boolean isMarked(String text) {
        return Marker.of(text).isPresent();
    }

    /** @param given the paragraphs of one page, in reading order */
    public static List<FoundLine> tell(List<Paragraph> given) {
        List<Paragraph> paragraphs =
                given.stream().flatMap(paragraph -> parted(paragraph).stream()).toList();
        return PartsOfQuestions.asQuestions(lines(paragraphs));
    }

    private static List<FoundLine> lines(List<Paragraph> paragraphs) {
        List<FoundLine> lines = new ArrayList<>();
        for (Paragraph given : paragraphs) {
            FoundKind kind = kind(given, paragraphs);
            boolean sayable = given.text().codePoints().anyMatch(Character::isLetterOrDigit);
            if (sayable || given.text().contains("_")) {
                lines.add(new FoundLine(sayable ? kind : FoundKind.BLANK, given.text(), given.area(), given.words()));
            }
        }
        return lines;
    }

    /** A paragraph that holds several choices, or a question and its choices, by its parts; each gets its share of the row. */
    private static List<Paragraph> parted(Paragraph paragraph) {
        String[] texts = paragraph.text().split("\\s+");
        List<PageText.Word> words = new ArrayList<>();
        Area area = paragraph.area();
        double letters = paragraph.text().length() + 1;
        double at = 0;
        for (String text : texts) {
            double x = area.x() + area.w() * at / letters;
            words.add(new PageText.Word(
                    text, new Area(x, area.y(), area.w() * text.length() / letters, area.h()), 0.01, false));
            at += text.length() + 1;
        }
        List<Fragment> parts = Rows.choices(Fragment.of(words, 1), 1);
        return parts.size() == 1
                ? List.of(paragraph)
                : paragraph.in(parts.stream()
                        .map(part -> new Paragraph(part.text(), part.area(), paragraph.title(), paragraph.bold()))
                        .toList());
    }

    private static FoundKind kind(Paragraph given, List<Paragraph> all) {
        if (given.title()) {
            return FoundKind.HEADING;
        }
        Marker marker = Marker.of(given.text()).orElse(null);
        if (marker == null) {
            return Kinds.ofUnmarked(given.text(), false, given.bold());
        }
        return switch (marker.type()) {
            case NUMBER -> FoundKind.QUESTION;
            case BOX -> FoundKind.CHOICE;
            case LETTER ->
                hasNeighbour(marker, given, all)
                        ? FoundKind.CHOICE
                        : Kinds.ofUnmarked(given.text(), false, given.bold());
        };
    }

    /** A letter is a choice's where the one before or after it is there too. */
    private static boolean hasNeighbour(Marker marker, Paragraph given, List<Paragraph> all) {
        return all.stream()
                .filter(other -> other != given)
                .map(other -> Marker.of(other.text()).orElse(null))
                .anyMatch(other -> other != null
                        && other.type() == Marker.Type.LETTER
                        && Math.abs(other.ordinal() - marker.ordinal()) == 1);
    }
}
