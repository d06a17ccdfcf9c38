package prolalia.core.classroom;

import java.util.Collection;
import java.util.Set;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;

/**
 * How far a child came with something that was given to her.
 *
 * @param toHear the lines that sound for her and that she meets at once, of all pages that were given
 * @param heard how many of them she heard
 * @param opened whether she opened it at all
 * @param lastAt when she last did something with it, in ms since 1970; 0: never
 * @param asks whether something is answered in it
 * @param handedIn whether she handed in what she answered
 */
public record Progress(int toHear, int heard, boolean opened, long lastAt, boolean asks, boolean handedIn) {
    public static final Progress NONE = new Progress(0, 0, false, 0, false, false);

    /** @param lesson as she meets it @param heardIds the lines that she heard */
    public static Progress of(
            PublishedLesson lesson, Collection<String> heardIds, boolean opened, long lastAt, boolean handedIn) {
        Set<String> known = Set.copyOf(heardIds);
        int toHear = 0;
        int heard = 0;
        for (PublishedLine line : (Iterable<PublishedLine>) lesson.lines()::iterator) {
            if (line.isHeard() && line.line().kind().isMetAtOnce()) {
                toHear++;
                heard += known.contains(line.line().id()) ? 1 : 0;
            }
        }
        boolean asks =
                lesson.pages().stream().anyMatch(page -> !page.questions().isEmpty());
        return new Progress(toHear, heard, opened, lastAt, asks, handedIn);
    }

    /** 0 to 1; what nobody has to hear is done when it was opened. */
    public double share() {
        return handedIn && asks ? 1 : toHear == 0 ? (opened ? 1 : 0) : (double) heard / toHear;
    }

    public boolean isDone() {
        return opened && (asks ? handedIn : heard >= toHear);
    }
}
