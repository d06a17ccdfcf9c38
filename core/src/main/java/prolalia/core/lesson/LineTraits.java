package prolalia.core.lesson;

import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.place.WordPlaces;

/**
 * What a line is, beside its words and its take.
 *
 * @param icon what it asks to do, as a picture; null: it has none
 * @param lang the language of its words (BCP 47); null: that of its lesson
 * @param label what stands before its words on paper, such as "3." or "b)"; null: nothing
 * @param places where its words were found on the picture of its page
 * @param question how it is answered; null: it is heard, and not answered
 * @param mark what it is to its question, for a choice
 * @param picture SHA-256 of the file of a picture that belongs to a question or a choice, in hexadecimal; null: none
 */
public record LineTraits(
        LineKind kind,
        StepIcon icon,
        String lang,
        String label,
        WordPlaces places,
        Question question,
        ChoiceMark mark,
        String picture) {
    public static final int LONGEST_LABEL = 12;

    public LineTraits {
        lang = blankAsNull(lang);
        label = blankAsNull(label);
        places = places == null ? WordPlaces.NONE : places;
        mark = mark == null ? ChoiceMark.NONE : mark;
    }

    /** A line whose words were found nowhere. */
    public LineTraits(LineKind kind, StepIcon icon, String lang, String label) {
        this(kind, icon, lang, label, WordPlaces.NONE, null, null, null);
    }

    public static LineTraits of(LineKind kind) {
        return new LineTraits(kind, null, null, null);
    }

    public LineTraits withKind(LineKind changed) {
        return new LineTraits(changed, icon, lang, label, places, question, mark, picture);
    }

    public LineTraits withIcon(StepIcon changed) {
        return new LineTraits(kind, changed, lang, label, places, question, mark, picture);
    }

    public LineTraits withLang(String changed) {
        return new LineTraits(kind, icon, changed, label, places, question, mark, picture);
    }

    public LineTraits withLabel(String changed) {
        return new LineTraits(kind, icon, lang, changed, places, question, mark, picture);
    }

    public LineTraits withPlaces(WordPlaces changed) {
        return new LineTraits(kind, icon, lang, label, changed, question, mark, picture);
    }

    /** @param changed null: it is not answered any more */
    public LineTraits withQuestion(Question changed) {
        return new LineTraits(kind, icon, lang, label, places, changed, mark, picture);
    }

    public LineTraits withMark(ChoiceMark changed) {
        return new LineTraits(kind, icon, lang, label, places, question, changed, picture);
    }

    /** @param changed null: none */
    public LineTraits withPicture(String changed) {
        return new LineTraits(kind, icon, lang, label, places, question, mark, changed);
    }

    private static String blankAsNull(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
