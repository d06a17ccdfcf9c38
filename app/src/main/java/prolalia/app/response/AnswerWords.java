package prolalia.app.response;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import prolalia.core.answer.Given;

/** An answer in words, as far as it is words: with those that were asked when it was given. */
final class AnswerWords {
    private AnswerWords() {}

    static List<String> of(StoredAnswer answer) {
        Given given = answer.given();
        List<String> words = new ArrayList<>();
        given.chosen().forEach(id -> words.add(choice(answer, id)));
        given.pairs().forEach((one, other) -> words.add(choice(answer, one) + " – " + choice(answer, other)));
        given.pressed()
                .forEach(point ->
                        words.add(String.format(Locale.ROOT, "(%.0f %%, %.0f %%)", point.x() * 100, point.y() * 100)));
        if (!given.typed().isBlank()) {
            words.add(given.typed());
        }
        return words;
    }

    private static String choice(StoredAnswer answer, String id) {
        return answer.asked().choices().getOrDefault(id, "?");
    }
}
