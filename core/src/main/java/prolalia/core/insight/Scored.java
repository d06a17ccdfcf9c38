package prolalia.core.insight;

import java.util.Objects;

/**
 * What one student got for one question.
 *
 * @param answer what was chosen or given, as it is counted; empty: nothing that could be
 * @param points 0 to {@code most}
 * @param most what the question is worth, more than 0
 */
public record Scored(String student, String question, String answer, double points, double most) {
    /** @throws IllegalArgumentException if points or most are no such numbers */
    public Scored {
        Objects.requireNonNull(student);
        Objects.requireNonNull(question);
        answer = answer == null ? "" : answer;
        if (!(most > 0) || !(points >= 0) || points > most || Double.isInfinite(most)) {
            throw new IllegalArgumentException(points + " of " + most);
        }
    }
}
