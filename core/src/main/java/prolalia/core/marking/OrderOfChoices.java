package prolalia.core.marking;

import java.util.List;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionWithLines.Choice;

/** Choices in their order: length of the longest common subsequence ÷ number of choices; 0 when no two are in their order. */
record OrderOfChoices() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return asked.choices().size() > 1;
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        List<String> wanted = asked.choices().stream().map(Choice::id).toList();
        int common = longestCommon(wanted, given.chosen().stream().distinct().toList());
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

    @Override
    public boolean isShuffled() {
        return true;
    }

    @Override
    public boolean isOnPicture(Question question, boolean choicesPlaced) {
        return false;
    }
}
