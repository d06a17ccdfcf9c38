package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.page.Area;

/** Finds lines where a file keeps paragraphs: their places are known, their kinds are not. */
public final class ParagraphKinds {
    private ParagraphKinds() {}

    /**
     * A paragraph as a file has it.
     *
     * @param text in one row
     * @param title whether the file says that it is a title
     * @param bold whether all of it is
     */
    public record Given(String text, Area area, boolean title, boolean bold) {}

    /** Whether a text begins with a number, a letter or a box, as questions and choices do. */
    public static boolean isMarked(String text) {
        return Marker.of(text).isPresent();
    }

    /** @param given the paragraphs of one page, in reading order */
    public static List<FoundLine> tell(List<Given> given) {
        List<Given> paragraphs =
                given.stream().flatMap(paragraph -> parted(paragraph).stream()).toList();
        return PartsOfQuestions.asQuestions(lines(paragraphs));
    }

    private static List<FoundLine> lines(List<Given> paragraphs) {
        List<FoundLine> lines = new ArrayList<>();
        for (Given given : paragraphs) {
            FoundKind kind = kind(given, paragraphs);
            boolean sayable = given.text().codePoints().anyMatch(Character::isLetterOrDigit);
            if (sayable || given.text().contains("_")) {
                lines.add(new FoundLine(sayable ? kind : FoundKind.BLANK, given.text(), given.area()));
            }
        }
        return lines;
    }

    /** A paragraph that holds several choices, or a question and its choices, by its parts; each gets its share of the row. */
    private static List<Given> parted(Given paragraph) {
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
                : parts.stream()
                        .map(part -> new Given(part.text(), part.area(), paragraph.title(), paragraph.bold()))
                        .toList();
    }

    private static FoundKind kind(Given given, List<Given> all) {
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
    private static boolean hasNeighbour(Marker marker, Given given, List<Given> all) {
        return all.stream()
                .filter(other -> other != given)
                .map(other -> Marker.of(other.text()).orElse(null))
                .anyMatch(other -> other != null
                        && other.type() == Marker.Type.LETTER
                        && Math.abs(other.ordinal() - marker.ordinal()) == 1);
    }
}
