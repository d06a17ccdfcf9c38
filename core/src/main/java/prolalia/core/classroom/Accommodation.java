package prolalia.core.classroom;

import java.util.List;
import java.util.Set;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;

/**
 * What a student hears, sees or does differently. Where it says nothing, what holds for everybody does.
 *
 * @param speedPercent how fast sounds begin to play: 50 to 150
 * @param moreTime whether what ends for others stays open for her for a while
 * @param unlimited whether she may hear everything as often as she likes
 * @param switches by how many buttons she does everything; 0: she points
 */
public record Accommodation(
        Hears hears, int speedPercent, Words words, boolean moreTime, boolean unlimited, int switches) {
    public static final Accommodation NONE = new Accommodation(Hears.EVERYTHING, 100, Words.AS_GIVEN, false, false, 0);

    private static final int SLOWEST = 50;
    private static final int FASTEST = 150;
    private static final int MOST_SWITCHES = 2;
    private static final Set<LineKind> OF_QUESTIONS = Set.of(
            LineKind.DIRECTION,
            LineKind.QUESTION,
            LineKind.CHOICE,
            LineKind.HINT,
            LineKind.PRAISE,
            LineKind.CORRECTION);

    /** What of a lesson is said to her. */
    public enum Hears {
        EVERYTHING,
        /** Directions, questions, choices, and what is said of answers: passages she reads herself. */
        QUESTIONS,
        /** Everything, but nothing by itself: only what she presses. */
        ON_REQUEST,
        NOTHING
    }

    /** What she sees of the words of what is heard. */
    public enum Words {
        AS_GIVEN,
        HIDDEN,
        SHOWN,
        /** Shown, and larger. */
        LARGE
    }

    public Accommodation {
        speedPercent = Math.max(SLOWEST, Math.min(FASTEST, speedPercent));
        switches = Math.max(0, Math.min(MOST_SWITCHES, switches));
    }

    /** A lesson as she meets it. */
    public PublishedLesson of(PublishedLesson lesson) {
        if (equals(NONE)) {
            return lesson;
        }
        List<PublishedPage> pages = lesson.pages().stream()
                .map(page -> new PublishedPage(
                        page.id(),
                        page.picture(),
                        page.lines().stream().map(this::line).toList(),
                        placed(page.placed()),
                        page.title()))
                .toList();
        return new PublishedLesson(
                lesson.title(), settings(lesson.settings()), pages, placed(lesson.every()), lesson.prompts());
    }

    private LessonSettings settings(LessonSettings given) {
        return switch (words) {
            case AS_GIVEN -> given;
            case HIDDEN -> given.withWordsHidden(true);
            case SHOWN, LARGE -> given.withWordsHidden(false);
        };
    }

    private PublishedLine line(PublishedLine line) {
        return isHeard(line.line().kind()) ? line : new PublishedLine(line.line(), null, null);
    }

    /** Whether lines of a kind are said to her. */
    public boolean isHeard(LineKind kind) {
        return switch (hears) {
            case EVERYTHING, ON_REQUEST -> true;
            case QUESTIONS -> OF_QUESTIONS.contains(kind);
            case NOTHING -> false;
        };
    }

    private Placed placed(Placed placed) {
        PageSettings manner = placed.manner();
        return new Placed(
                placed.things().stream().map(this::thing).toList(),
                new PageSettings(rule(manner.rule()), manner.example(), manner.otherwise()));
    }

    private PageElement thing(PageElement thing) {
        return thing instanceof PageElement.Spot spot ? spot.under(rule(spot.rule())) : thing;
    }

    private PlayRule rule(PlayRule rule) {
        PlayRule changed = rule;
        if (hears == Hears.ON_REQUEST) {
            changed = changed.onPressOnly();
        }
        return unlimited ? changed.asOftenAsWanted() : changed;
    }
}
