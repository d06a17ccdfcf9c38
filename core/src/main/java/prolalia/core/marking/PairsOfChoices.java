package prolalia.core.marking;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.Question;

/** Choices that belong together: right pairs ÷ all pairs. */
record PairsOfChoices() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return asked.choices().stream().anyMatch(choice -> choice.mark().pair() > 0);
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        Map<String, Integer> numbers = new HashMap<>();
        asked.choices().forEach(choice -> numbers.put(choice.id(), choice.mark().pair()));
        long all = numbers.values().stream().filter(pair -> pair > 0).distinct().count();
        Set<Integer> right = new HashSet<>();
        given.pairs().forEach((one, other) -> {
            int pair = numbers.getOrDefault(one, 0);
            if (pair > 0 && !one.equals(other) && numbers.getOrDefault(other, 0) == pair) {
                right.add(pair);
            }
        });
        return (double) right.size() / all;
    }

    @Override
    public boolean isShuffled() {
        return true;
    }

    @Override
    public boolean isOnPicture(Question question, boolean choicesPlaced) {
        return false;
    }

    @Override
    public boolean hasSingle(QuestionWithLines asked) {
        List<Integer> numbers = asked.choices().stream()
                .map(choice -> choice.mark().pair())
                .filter(pair -> pair > 0)
                .toList();
        return numbers.stream().anyMatch(pair -> numbers.indexOf(pair) == numbers.lastIndexOf(pair));
    }
}
