package prolalia.app.spoken;

import java.io.IOException;
import java.util.Set;

/** What becomes of the recordings of a purpose. All that comes before is the same for all of them ({@link ChunkedRecordings}). */
interface RecordingUse {
    Set<RecordingPurpose> purposes();

    /** Opens a recording that is put together; writes nothing down. */
    Judgement judge(StoredRecording recording, Ending ending) throws IOException;

    /** Whether what comes in after it was taken makes it longer; otherwise all of it is another recording, beside it. */
    boolean growsInPlace();

    /** @param now what holds from now on: the same recording, longer, or the one beside it */
    void grew(StoredRecording was, StoredRecording now);

    /** Nobody ended it; as far as it came in, it can be heard. */
    default void brokenOff(StoredRecording recording) {}

    /** Whoever said it ended it, and there was nothing more of it. */
    default void endedAgain(StoredRecording recording) {}
}
