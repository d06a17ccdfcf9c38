package prolalia.app.spoken;

import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import prolalia.core.sound.Refusal;

/**
 * A recording as it is known.
 *
 * @param lessonId in which its line is; null when it is of no line
 * @param teacherId whose lesson that is
 * @param speakerId who speaks in it
 * @param words of the line when it began
 * @param mediaType as the browser gave it; its parameter "overlap" says how much at each end may be a neighbour's, "after" whose
 *     end is its beginning
 * @param fileName of an uploaded file, null when it was recorded here
 * @param rawHash in the media store, null while chunks are coming in and when nothing of it was worth keeping
 * @param chunks that it was put together of, 0 as long as it wasn't, and of a file
 * @param refusal why it isn't a take, null otherwise
 * @param durationMs of all that was recorded, or of an answer as it is heard; null until it is known
 * @param soundHash of the MP3 of what is heard of it; null where that is its take's, and until it is made
 */
public record StoredRecording(
        String id,
        RecordingOwner owner,
        String lessonId,
        String teacherId,
        String speakerId,
        String words,
        String mediaType,
        State state,
        String fileName,
        String rawHash,
        int chunks,
        Refusal.Reason refusal,
        Long durationMs,
        String soundHash,
        long startedAt,
        long changedAt) {

    private static final int MOST_OVERLAP_MS = 1_000;

    /** How far a recording has come; see the table. */
    public enum State {
        OPEN,
        SEALED,
        TAKEN,
        REFUSED,
        DISCARDED;

        String stored() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        static State of(String stored) {
            return valueOf(stored.toUpperCase(java.util.Locale.ROOT));
        }
    }

    public RecordingPurpose purpose() {
        return owner.purpose();
    }

    /** The line that is said in it; null when it is of none. */
    public String lineId() {
        return owner instanceof RecordingOwner.OfLine of ? of.lineId() : null;
    }

    /** What it answers, or says back to; for recordings of no line. */
    public AnswerPlace place() {
        return new AnswerPlace((RecordingOwner.OfAnswer) owner, speakerId);
    }

    /** How many milliseconds at each end may belong to the line before or after. */
    public int overlapMs() {
        try {
            String overlap = parameter("overlap");
            return overlap == null ? 0 : Math.max(0, Math.min(MOST_OVERLAP_MS, Integer.parseInt(overlap)));
        } catch (NumberFormatException unreadable) {
            return 0;
        }
    }

    /** The recording that was ended by the same key; null: nothing was said before it. */
    String after() {
        return parameter("after");
    }

    private String parameter(String name) {
        try {
            return MediaType.parseMediaType(mediaType).getParameter(name);
        } catch (InvalidMediaTypeException unreadable) {
            return null;
        }
    }

    /** Whether its chunks became one sound; there may be no verdict on it as yet. */
    boolean isPutTogether() {
        return state == State.SEALED || state == State.TAKEN || state == State.REFUSED;
    }

    /** Whether there is sound in it that is no take, but worth being listened to. */
    public boolean isKeptAside() {
        return state == State.REFUSED && rawHash != null && refusal.hasSoundInIt();
    }

    /** Whether a teacher may still say "that is a take all the same". */
    public boolean canBeTakenWhole() {
        return state == State.REFUSED
                && rawHash != null
                && (refusal == Refusal.Reason.NO_SPEECH || refusal == Refusal.Reason.TOO_SHORT);
    }
}
