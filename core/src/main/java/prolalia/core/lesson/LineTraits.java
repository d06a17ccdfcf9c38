package prolalia.core.lesson;

import prolalia.core.place.WordPlaces;

/**
 * What a line is, beside its words and its take.
 *
 * @param icon what it asks to do, as a picture; null: it has none
 * @param lang the language of its words (BCP 47); null: that of its lesson
 * @param label what stands before its words on paper, such as "3." or "b)"; null: nothing
 * @param places where its words were found on the picture of its page
 */
public record LineTraits(LineKind kind, StepIcon icon, String lang, String label, WordPlaces places) {
    public static final int LONGEST_LABEL = 12;

    public LineTraits {
        lang = blankAsNull(lang);
        label = blankAsNull(label);
        places = places == null ? WordPlaces.NONE : places;
    }

    /** A line whose words were found nowhere. */
    public LineTraits(LineKind kind, StepIcon icon, String lang, String label) {
        this(kind, icon, lang, label, WordPlaces.NONE);
    }

    public static LineTraits of(LineKind kind) {
        return new LineTraits(kind, null, null, null);
    }

    public LineTraits withKind(LineKind changed) {
        return new LineTraits(changed, icon, lang, label, places);
    }

    public LineTraits withIcon(StepIcon changed) {
        return new LineTraits(kind, changed, lang, label, places);
    }

    public LineTraits withLang(String changed) {
        return new LineTraits(kind, icon, changed, label, places);
    }

    public LineTraits withLabel(String changed) {
        return new LineTraits(kind, icon, lang, changed, places);
    }

    public LineTraits withPlaces(WordPlaces changed) {
        return new LineTraits(kind, icon, lang, label, changed);
    }

    private static String blankAsNull(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
