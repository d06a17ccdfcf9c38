package prolalia.core.published;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionKind;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.place.Area;
import prolalia.core.published.StudentPage.SaidLine;

/**
 * A question as it is answered on a page. What is right isn't in it.
 *
 * @param choices in the order in which they are shown: an order, and pairs, are asked for out of order
 * @param hints that are heard when they are asked for
 * @param onPicture whether it is answered on the picture of its page
 * @param longestSeconds so long a spoken answer may be
 * @param places of the words of its choices on the picture, by their ids; none: it is answered beside it
 */
public record AskedOnPage(
        QuestionWithLines asked,
        List<SaidLine> choices,
        List<SaidLine> hints,
        boolean onPicture,
        int longestSeconds,
        Map<String, Area> places) {
    static AskedOnPage of(
            QuestionWithLines asked,
            List<SaidLine> choices,
            List<SaidLine> hints,
            boolean onPicture,
            int longestSeconds,
            Map<String, Area> places) {
        List<SaidLine> shown = new ArrayList<>(choices);
        if (QuestionKind.of(asked.question()).isShuffled()) {
            List<SaidLine> before = List.copyOf(shown);
            Random chance = new Random(asked.id().hashCode());
            for (int i = 0; i < 8 && shown.equals(before); i++) {
                // The same for everybody, and each time: a child finds it again as she left it.
                Collections.shuffle(shown, chance);
            }
        }
        int own = asked.question().longestSeconds();
        return new AskedOnPage(asked, shown, hints, onPicture, own == 0 ? longestSeconds : own, places);
    }

    public String id() {
        return asked.id();
    }

    public Question question() {
        return asked.question();
    }

    public AnswerKind kind() {
        return question().kind();
    }

    /** The choices of pairs on two sides: the first of each pair, and all others. */
    public List<List<SaidLine>> sides() {
        Map<String, Integer> pairs = asked.choices().stream()
                .collect(Collectors.toMap(
                        QuestionWithLines.Choice::id,
                        choice -> choice.mark().pair(),
                        (one, other) -> one,
                        LinkedHashMap::new));
        Set<Integer> met = new HashSet<>();
        Set<String> first = new HashSet<>();
        pairs.forEach((id, pair) -> {
            if (pair > 0 && met.add(pair)) {
                first.add(id);
            }
        });
        return List.of(
                choices.stream().filter(choice -> first.contains(choice.id())).toList(),
                choices.stream().filter(choice -> !first.contains(choice.id())).toList());
    }

    /** The ways in which it may be answered, by their slugs, with a space between them. */
    public String waySlugs() {
        return question().allWays().stream().map(AnswerKind::slug).collect(Collectors.joining(" "));
    }
}
