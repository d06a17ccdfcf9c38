package prolalia.app.link;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** What a link is made for, and all that follows from it: a new one doesn't compile until it says so. */
public enum LinkPurpose {
    /** Given to students: the whole lesson. */
    GIVEN(Reached.AS_SENT, Opened.BY_CHILDREN, null),
    /** A place in the room, reached by its code. */
    STATION(Reached.BY_CODE, Opened.BY_CHILDREN, null),
    /** A place on paper, reached by its code. */
    PAPER(Reached.BY_CODE, Opened.BY_CHILDREN, null),
    /** Looked at as students will meet it, before it is given: it ends by itself. */
    PREVIEW(Reached.AS_SENT, Opened.BY_TEACHERS, Duration.ofDays(1));

    private enum Reached {
        /** By what is sent, with a token that is long. */
        AS_SENT,
        /** By a code of its own, which may be printed and typed. */
        BY_CODE
    }

    private enum Opened {
        BY_CHILDREN,
        BY_TEACHERS
    }

    private final Reached reached;
    private final Opened opened;
    private final Duration holds;

    LinkPurpose(Reached reached, Opened opened, Duration holds) {
        this.reached = reached;
        this.opened = opened;
        this.holds = holds;
    }

    /** What a code is for that leads to a page, or to a line of it. @param lineId null: all of the page */
    public static LinkPurpose ofCode(String lineId) {
        return lineId == null ? STATION : PAPER;
    }

    /** Whether it is reached by a code of its own; otherwise by what is sent. */
    boolean isCode() {
        return reached == Reached.BY_CODE;
    }

    /** Whether what happens behind it is a child's doing, and counts. */
    public boolean isForChildren() {
        return opened == Opened.BY_CHILDREN;
    }

    /** When one that is made now ends, in ms since 1970; null: not by itself. @param now in ms since 1970 */
    Long endsAt(long now) {
        return holds == null ? null : Long.valueOf(now + holds.toMillis());
    }

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The stored names of those that are reached by a code. */
    static List<String> ofCodes() {
        return Arrays.stream(values())
                .filter(LinkPurpose::isCode)
                .map(LinkPurpose::stored)
                .toList();
    }

    static LinkPurpose of(String stored) {
        return valueOf(stored.toUpperCase(Locale.ROOT));
    }
}
