package prolalia.core.lesson;

/**
 * What a line is, beside its words and its take.
 *
 * @param icon what it asks to do, as a picture; null: it has none
 * @param lang the language of its words (BCP 47); null: that of its lesson
 * @param label what stands before its words on paper, such as "3." or "b)"; null: nothing
 */
public record LineTraits(LineKind kind, StepIcon icon, String lang, String label) {
    public static final int LONGEST_LABEL = 12;

    public LineTraits {
        lang = blankAsNull(lang);
        label = blankAsNull(label);
    }

    public static LineTraits of(LineKind kind) {
        return new LineTraits(kind, null, null, null);
    }

    public LineTraits withKind(LineKind changed) {
        return new LineTraits(changed, icon, lang, label);
    }

    public LineTraits withIcon(StepIcon changed) {
        return new LineTraits(kind, changed, lang, label);
    }

    public LineTraits withLang(String changed) {
        return new LineTraits(kind, icon, changed, label);
    }

    public LineTraits withLabel(String changed) {
        return new LineTraits(kind, icon, lang, changed);
    }

    private static String blankAsNull(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
