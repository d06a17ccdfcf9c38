package prolalia.core.answer;

import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import prolalia.core.place.Area;

/**
 * What belongs to a line that is a question, besides its words and the lines that stand under it in the script.
 *
 * @param kind how it is answered
 * @param points what a right answer is worth, 0 to 100
 * @param required whether handing in asks for it
 * @param accepted spellings of short words that are right
 * @param text in what typed words may differ
 * @param number the number that is right; null: none is told
 * @param areas places on the picture of the page that are right when pressed
 * @param place where on the page it is answered; null: under its words
 * @param ways other ways in which a free answer may be given
 * @param longestSeconds so long a spoken answer may be; 0: as long as the lesson says
 */
public record Question(
        AnswerKind kind,
        int points,
        boolean required,
        List<String> accepted,
        TextRule text,
        NumberKey number,
        List<Area> areas,
        Area place,
        Set<AnswerKind> ways,
        int longestSeconds) {
    public static final int MOST_POINTS = 100;
    public static final int MOST_ACCEPTED = 50;
    public static final int LONGEST_ACCEPTED = 200;
    public static final int MOST_AREAS = 50;

    public Question {
        Objects.requireNonNull(kind);
        points = Math.max(0, Math.min(MOST_POINTS, points));
        accepted = accepted == null
                ? List.of()
                : accepted.stream()
                        .filter(each -> each != null && !each.isBlank())
                        .map(String::strip)
                        .map(each -> each.length() > LONGEST_ACCEPTED ? each.substring(0, LONGEST_ACCEPTED) : each)
                        .distinct()
                        .limit(MOST_ACCEPTED)
                        .toList();
        text = text == null ? TextRule.USUAL : text;
        areas = areas == null ? List.of() : areas.stream().limit(MOST_AREAS).toList();
        Set<AnswerKind> others = EnumSet.noneOf(AnswerKind.class);
        if (ways != null && kind.isFree()) {
            ways.stream().filter(way -> way.isFree() && way != kind).forEach(others::add);
        }
        ways = Set.copyOf(others);
        longestSeconds = Math.max(0, Math.min(600, longestSeconds));
    }

    /** Worth a point, and to be answered. */
    public static Question of(AnswerKind kind) {
        return new Question(kind, 1, true, List.of(), TextRule.USUAL, null, List.of(), null, Set.of(), 0);
    }

    public Question withKind(AnswerKind changed) {
        return new Question(changed, points, required, accepted, text, number, areas, place, ways, longestSeconds);
    }

    public Question withPoints(int changed) {
        return new Question(kind, changed, required, accepted, text, number, areas, place, ways, longestSeconds);
    }

    public Question withRequired(boolean changed) {
        return new Question(kind, points, changed, accepted, text, number, areas, place, ways, longestSeconds);
    }

    public Question withAccepted(List<String> changed) {
        return new Question(kind, points, required, changed, text, number, areas, place, ways, longestSeconds);
    }

    public Question withText(TextRule changed) {
        return new Question(kind, points, required, accepted, changed, number, areas, place, ways, longestSeconds);
    }

    public Question withNumber(NumberKey changed) {
        return new Question(kind, points, required, accepted, text, changed, areas, place, ways, longestSeconds);
    }

    public Question withAreas(List<Area> changed) {
        return new Question(kind, points, required, accepted, text, number, changed, place, ways, longestSeconds);
    }

    public Question withPlace(Area changed) {
        return new Question(kind, points, required, accepted, text, number, areas, changed, ways, longestSeconds);
    }

    public Question withWays(Set<AnswerKind> changed) {
        return new Question(kind, points, required, accepted, text, number, areas, place, changed, longestSeconds);
    }

    public Question withLongestSeconds(int changed) {
        return new Question(kind, points, required, accepted, text, number, areas, place, ways, changed);
    }

    /** All ways in which it may be answered. */
    public Set<AnswerKind> allWays() {
        Set<AnswerKind> all = EnumSet.of(kind);
        all.addAll(ways);
        return all;
    }
}
