package prolalia.app.sound;

import java.util.Locale;

/** What a recording is for. */
public enum RecordingPurpose {
    /** A teacher says a line: it becomes a take of it. */
    LINE,
    /** A student answers: it becomes a part of her answer. */
    ANSWER,
    /** A teacher speaks back to an answer, or a student to that. */
    REMARK;

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }
}
