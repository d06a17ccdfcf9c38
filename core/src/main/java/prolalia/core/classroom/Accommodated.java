package prolalia.core.classroom;

import java.util.Map;

/**
 * What is different for a student: always, and here and there.
 *
 * @param here by the id of a lesson, or of something that was given
 */
public record Accommodated(Accommodation always, Map<String, Here> here) {
    public static final Accommodated NOT = new Accommodated(Accommodation.NONE, Map.of());

    /**
     * What is different with one lesson, or with what was given once, in place of what holds always.
     *
     * @param tries how often she may answer a question: 0 as often as she likes; null: as often as the lesson says
     */
    public record Here(Accommodation accommodation, Integer tries) {
        private static final int MOST_TRIES = 20;

        public Here {
            tries = tries == null ? null : Math.max(0, Math.min(MOST_TRIES, tries));
        }
    }

    /** What was said of this giving, else of its lesson; null: what holds always. */
    public Here at(String givenId, String lessonId) {
        return here.containsKey(givenId) ? here.get(givenId) : here.get(lessonId);
    }

    /** What holds there. By how many buttons she does everything is the same everywhere. */
    public Accommodation in(String givenId, String lessonId) {
        Here said = at(givenId, lessonId);
        if (said == null) {
            return always;
        }
        Accommodation its = said.accommodation();
        return new Accommodation(
                its.hears(), its.speedPercent(), its.words(), its.moreTime(), its.unlimited(), always.switches());
    }
}
