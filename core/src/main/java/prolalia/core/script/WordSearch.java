package prolalia.core.script;

import java.text.Normalizer;
import java.util.List;
import java.util.regex.Pattern;
import prolalia.core.lesson.SpokenWords;

/** Looks for words as a teacher types them: the beginnings of words in any order, without case and accents. */
public final class WordSearch {
    private static final Pattern ACCENTS = Pattern.compile("\\p{M}+");

    private static final Pattern APOSTROPHES = Pattern.compile("['’ʼ]");

    private final List<String> sought;

    /** @param query blank: everything is found */
    public WordSearch(String query) {
        sought = plain(query);
    }

    /** Whether nothing is looked for: there is no word in the query. */
    public boolean isEmpty() {
        return sought.isEmpty();
    }

    /** Whether each word of the query begins a word of one of these texts. */
    public boolean finds(String... texts) {
        if (sought.isEmpty()) {
            return true;
        }
        List<String> words = plain(String.join(" ", texts));
        return sought.stream().allMatch(each -> words.stream().anyMatch(word -> word.startsWith(each)));
    }

    private static List<String> plain(String text) {
        String apart =
                ACCENTS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
        // Who looks for "élève" finds "l'élève".
        return SpokenWords.of(APOSTROPHES.matcher(apart).replaceAll(" "));
    }
}
