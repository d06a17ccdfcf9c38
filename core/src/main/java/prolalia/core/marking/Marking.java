package prolalia.core.marking;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Point;
import prolalia.core.answer.Question;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.marking.QuestionWithLines.Choice;
import prolalia.core.place.Area;

/**
 * What an answer is worth, by the rule of its kind:
 *
 * <ul>
 *   <li>one choice: all or nothing;
 *   <li>several choices, and areas on the picture: (right ones − wrong ones) ÷ all right ones, never below 0;
 *   <li>short words: one of the accepted spellings, by the question's {@link TextRule};
 *   <li>a number: {@link NumberKey#accepts};
 *   <li>an order: length of the longest common subsequence ÷ number of choices; 0 when no two are in their order;
 *   <li>pairs: right pairs ÷ all pairs.
 * </ul>
 *
 * <p>Of a question without a right answer, and of free answers, no rule tells: somebody looks at them. Stateless.
 */
public final class Marking {
    private Marking() {}

    public static Mark of(QuestionWithLines asked, AnswerContent given) {
        int most = asked.question().points();
        if (given.isNothing()) {
            return new Mark(0, most, Outcome.NONE);
        }
        if (!asked.hasKey()) {
            return new Mark(0, most, Outcome.OPEN);
        }
        return Mark.of(share(asked, given), most);
    }

    private static double share(QuestionWithLines asked, AnswerContent given) {
        Question question = asked.question();
        return switch (question.kind()) {
            case ONE_CHOICE ->
                given.chosen().size() == 1 && asked.isRight(given.chosen().get(0)) ? 1 : 0;
            case SEVERAL_CHOICES -> several(asked, new HashSet<>(given.chosen()));
            case SHORT_WORDS ->
                question.accepted().stream().anyMatch(each -> question.text().areSame(each, given.typed())) ? 1 : 0;
            case NUMBER -> question.number().accepts(given.typed()) ? 1 : 0;
            case ORDER -> order(asked.choices(), given.chosen());
            case PAIRS -> pairs(asked.choices(), given.pairs());
            case AREAS -> areas(question.areas(), given.pressed());
            case LONG_TEXT, SPOKEN, DRAWING, PICTURE -> 0;
        };
    }

    private static double several(QuestionWithLines asked, Set<String> chosen) {
        long all = asked.choices().stream().filter(Choice::isRight).count();
        long right = asked.choices().stream()
                .filter(choice -> choice.isRight() && chosen.contains(choice.id()))
                .count();
        return (double) (right - (chosen.size() - right)) / all;
    }

    private static double order(List<Choice> choices, List<String> given) {
        List<String> wanted = choices.stream().map(Choice::id).toList();
        int common = longestCommon(wanted, given.stream().distinct().toList());
        return common < 2 && wanted.size() > 1 ? 0 : (double) common / wanted.size();
    }

    /** Length of the longest common subsequence (Wagner and Fischer 1974). */
    private static int longestCommon(List<String> one, List<String> other) {
        int[] row = new int[other.size() + 1];
        for (String each : one) {
            int before = 0;
            for (int j = 1; j <= other.size(); j++) {
                int above = row[j];
                row[j] = each.equals(other.get(j - 1)) ? before + 1 : Math.max(above, row[j - 1]);
                before = above;
            }
        }
        return row[other.size()];
    }

    private static double pairs(List<Choice> choices, Map<String, String> given) {
        Map<String, Integer> numbers = new HashMap<>();
        choices.forEach(choice -> numbers.put(choice.id(), choice.mark().pair()));
        long all = choices.stream()
                .map(choice -> choice.mark().pair())
                .filter(pair -> pair > 0)
                .distinct()
                .count();
        Set<Integer> right = new HashSet<>();
        given.forEach((one, other) -> {
            int pair = numbers.getOrDefault(one, 0);
            if (pair > 0 && !one.equals(other) && numbers.getOrDefault(other, 0) == pair) {
                right.add(pair);
            }
        });
        return (double) right.size() / all;
    }

    private static double areas(List<Area> areas, List<Point> pressed) {
        List<Area> left = new ArrayList<>(areas);
        int wrong = 0;
        for (Point point : pressed) {
            boolean hit = left.removeIf(area -> contains(area, point));
            // Pressed twice on a right place is no fault.
            if (!hit && areas.stream().noneMatch(area -> contains(area, point))) {
                wrong++;
            }
        }
        return (double) (areas.size() - left.size() - wrong) / areas.size();
    }

    private static boolean contains(Area area, Point point) {
        return point.x() >= area.x()
                && point.x() <= area.x() + area.w()
                && point.y() >= area.y()
                && point.y() <= area.y() + area.h();
    }
}
