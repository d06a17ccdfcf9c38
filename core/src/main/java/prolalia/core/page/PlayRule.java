package prolalia.core.page;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * When and how a spot sounds. A rule may say some of it and leave the rest, as null, to a rule that is farther away: that of
 * the page, then that of the lesson, then the {@link #USUAL} one.
 *
 * <pre>{@code
 * PlayRule heard = ofSpot.over(ofPage).over(ofLesson).over(PlayRule.USUAL);
 * }</pre>
 *
 * @param start what makes it sound
 * @param volumePercent 0 to 100, of the volume at which the take was levelled
 * @param times how often it sounds in a row, 1 to {@value #MOST_TIMES}; {@value #UNTIL_LEFT}: again and again, until its page
 *     is left
 * @param stopOnLeaving whether it ends with its page; if not, it sounds to its end on the next one
 * @param most how often a student may start it, 1 to {@value #MOST_STARTS}; {@value #AS_OFTEN_AS_WANTED}: as often as wanted
 * @param underSpeech whether it is a background, that sounds quietly under the others; all others sound one at a time
 */
public record PlayRule(
        Start start, Integer volumePercent, Integer times, Boolean stopOnLeaving, Integer most, Boolean underSpeech) {
    public static final int UNTIL_LEFT = 0;
    public static final int MOST_TIMES = 20;
    public static final int AS_OFTEN_AS_WANTED = 0;
    public static final int MOST_STARTS = 20;

    /** Leaves everything to the rule farther away. */
    public static final PlayRule SILENT = new PlayRule(null, null, null, null, null, null);

    /** What holds where nobody says anything. */
    public static final PlayRule USUAL = new PlayRule(Start.PRESS, 100, 1, true, AS_OFTEN_AS_WANTED, false);

    /** What makes a spot sound. */
    public enum Start {
        PRESS,
        /** The student's coming to the page; a press as well. */
        ARRIVAL
    }

    /** The parts of a rule, each of which may come from another place. */
    public enum Part {
        START,
        VOLUME,
        TIMES,
        STOP_ON_LEAVING,
        MOST,
        UNDER_SPEECH
    }

    /** Where a rule can stand, the nearest first. */
    public enum Level {
        SPOT,
        PAGE,
        LESSON,
        USUAL
    }

    /** @throws IllegalArgumentException if a figure is out of its range */
    public PlayRule {
        within(volumePercent, 0, 100);
        within(times, UNTIL_LEFT, MOST_TIMES);
        within(most, AS_OFTEN_AS_WANTED, MOST_STARTS);
    }

    private static void within(Integer figure, int least, int greatest) {
        if (figure != null && (figure < least || figure > greatest)) {
            throw new IllegalArgumentException(figure + " is not within " + least + " to " + greatest);
        }
    }

    /** What this rule says, and where it says nothing what the farther one does. */
    public PlayRule over(PlayRule farther) {
        return new PlayRule(
                nearer(start, farther.start),
                nearer(volumePercent, farther.volumePercent),
                nearer(times, farther.times),
                nearer(stopOnLeaving, farther.stopOnLeaving),
                nearer(most, farther.most),
                nearer(underSpeech, farther.underSpeech));
    }

    private static <T> T nearer(T near, T far) {
        return near != null ? near : far;
    }

    /** Where each part that holds comes from, by the rules from the spot's to the lesson's; {@code null} for one not there. */
    public static Map<Part, Level> levels(PlayRule ofSpot, PlayRule ofPage, PlayRule ofLesson) {
        List<PlayRule> rules = new ArrayList<>();
        for (PlayRule rule : new PlayRule[] {ofSpot, ofPage, ofLesson}) {
            rules.add(rule == null ? SILENT : rule);
        }
        rules.add(USUAL);
        Map<Part, Level> levels = new EnumMap<>(Part.class);
        for (Part part : Part.values()) {
            for (Level level : Level.values()) {
                if (!levels.containsKey(part) && rules.get(level.ordinal()).says(part)) {
                    levels.put(part, level);
                }
            }
        }
        return levels;
    }

    /** The same, but that nothing begins by itself. */
    public PlayRule onPressOnly() {
        return new PlayRule(start == null ? null : Start.PRESS, volumePercent, times, stopOnLeaving, most, underSpeech);
    }

    /** The same, but that it may be started as often as wanted. */
    public PlayRule asOftenAsWanted() {
        Integer any = most == null ? null : AS_OFTEN_AS_WANTED;
        return new PlayRule(start, volumePercent, times, stopOnLeaving, any, underSpeech);
    }

    private boolean says(Part part) {
        return switch (part) {
            case START -> start != null;
            case VOLUME -> volumePercent != null;
            case TIMES -> times != null;
            case STOP_ON_LEAVING -> stopOnLeaving != null;
            case MOST -> most != null;
            case UNDER_SPEECH -> underSpeech != null;
        };
    }
}
