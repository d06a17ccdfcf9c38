package prolalia.app.link;

import java.util.Locale;

/** What a link is made for. */
public enum LinkPurpose {
    /** Given to students: the whole lesson. */
    GIVEN,
    /** A place in the room, reached by its code. */
    STATION,
    /** A place on paper, reached by its code. */
    PAPER,
    /** Looked at as students will meet it, before it is given: it ends by itself. */
    PREVIEW;

    /** Whether it is reached by a code of its own; otherwise by what is sent. */
    boolean isCode() {
        return this == STATION || this == PAPER;
    }

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }

    static LinkPurpose of(String stored) {
        return valueOf(stored.toUpperCase(Locale.ROOT));
    }
}
