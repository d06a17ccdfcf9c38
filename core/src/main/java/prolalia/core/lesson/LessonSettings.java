package prolalia.core.lesson;

import java.util.IllformedLocaleException;
import java.util.Locale;
import java.util.Optional;
import prolalia.core.answer.AnswerManner;

/**
 * What holds for a lesson as a whole, whatever is placed on its pages.
 *
 * @param wordsHidden whether the words of what is heard are kept from students
 * @param lang the language of its words (BCP 47)
 * @param wordsLit where words light up while they are said
 * @param answering how its questions are asked
 */
public record LessonSettings(boolean wordsHidden, String lang, WordsLit wordsLit, AnswerManner answering) {
    public static final String USUAL_LANG = "en";
    public static final LessonSettings USUAL = new LessonSettings(false, USUAL_LANG, WordsLit.RULER);
    private static final int LONGEST_LANG = 35;

    public LessonSettings {
        lang = lang == null ? USUAL_LANG : lang;
        wordsLit = wordsLit == null ? WordsLit.RULER : wordsLit;
        answering = answering == null ? AnswerManner.USUAL : answering;
    }

    /** With questions asked as usual. */
    public LessonSettings(boolean wordsHidden, String lang, WordsLit wordsLit) {
        this(wordsHidden, lang, wordsLit, null);
    }

    public LessonSettings withAnswering(AnswerManner changed) {
        return new LessonSettings(wordsHidden, lang, wordsLit, changed);
    }

    public LessonSettings withWordsHidden(boolean hidden) {
        return new LessonSettings(hidden, lang, wordsLit, answering);
    }

    public LessonSettings withLang(String changed) {
        return new LessonSettings(wordsHidden, changed, wordsLit, answering);
    }

    public LessonSettings withWordsLit(WordsLit changed) {
        return new LessonSettings(wordsHidden, lang, changed, answering);
    }

    /** A language as it is kept, of what was asked for; empty when it is no well-formed tag (RFC 5646). */
    public static Optional<String> lang(String wanted) {
        if (wanted == null || wanted.isBlank() || wanted.length() > LONGEST_LANG) {
            return Optional.empty();
        }
        try {
            String tag =
                    new Locale.Builder().setLanguageTag(wanted.strip()).build().toLanguageTag();
            return Optional.of(tag).filter(known -> !known.startsWith("und"));
        } catch (IllformedLocaleException illFormed) {
            return Optional.empty();
        }
    }
}
