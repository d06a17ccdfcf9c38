package prolalia.core.intake;

import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import prolalia.core.script.PastedScript;

/** What a paragraph is for, told by its marker, its looks and its first word. */
final class Kinds {
    /** A heading's letters are so much larger than those of most of the paper. */
    private static final double LARGER = 1.18;

    private static final int MOST_WORDS_OF_A_HEADING = 12;
    private static final int FEWEST_WORDS_OF_A_PASSAGE = 9;

    /** What directions on school papers begin with. */
    private static final Set<String> VERBS = Set.of(("add answer arrange ask build check choose circle clap close "
                    + "collect colour color compare complete connect continue copy correct count cover cross cut decide "
                    + "describe do draw explain fill find finish fold follow give glue go guess highlight join keep label "
                    + "learn let listen look make mark match measure move name open order paste pick place play point press "
                    + "put read record remember repeat ring rewrite say search select share shade show sing sort solve "
                    + "speak spell start stick stop study take talk tap tell think tick touch trace translate try turn "
                    + "underline wait watch work write discuss")
            .split(" "));

    /** What may stand before the verb. */
    private static final Set<String> BEFORE = Set.of(
            "please",
            "now",
            "then",
            "first",
            "next",
            "finally",
            "last",
            "carefully",
            "together",
            "also",
            "after",
            "step");

    private Kinds() {}

    /** @param bodySize size of most letters of the paper, as a share of a page's height */
    static FoundKind of(Paragraph paragraph, double bodySize) {
        String text = paragraph.text();
        if (paragraph.marker() != null) {
            return paragraph.marker().type() == Marker.Type.NUMBER ? FoundKind.QUESTION : FoundKind.CHOICE;
        }
        if (paragraph.first().isBlank() && paragraph.rows() == 1) {
            return FoundKind.BLANK;
        }
        return ofUnmarked(
                text,
                paragraph.first().size() >= LARGER * bodySize,
                paragraph.first().bold() && paragraph.rows() == 1);
    }

    static FoundKind ofUnmarked(String text, boolean larger, boolean bold) {
        String[] words = text.split("\\s+");
        boolean sentence = text.matches(".*[.!?:;,]['\"\u2019\u201d)]*$");
        if (text.matches(".*\\?['\"\u2019\u201d)]*$") && !larger) {
            return FoundKind.QUESTION;
        }
        boolean direction = PastedScript.saysItIsADirection(text) || isDirection(words);
        if (words.length <= MOST_WORDS_OF_A_HEADING
                && (larger || bold && !sentence && !(direction && words.length > 4))) {
            return FoundKind.HEADING;
        }
        if (direction) {
            return FoundKind.DIRECTION;
        }
        if (words.length >= FEWEST_WORDS_OF_A_PASSAGE
                || words.length >= 4 && text.matches(".*[.!]['\"\u2019\u201d)]*$")) {
            return FoundKind.PASSAGE;
        }
        return FoundKind.LABEL;
    }

    private static boolean isDirection(String[] words) {
        return Arrays.stream(words)
                .map(word -> word.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]", ""))
                .filter(word -> !word.isEmpty())
                .dropWhile(BEFORE::contains)
                .findFirst()
                .filter(VERBS::contains)
                .isPresent();
    }
}
