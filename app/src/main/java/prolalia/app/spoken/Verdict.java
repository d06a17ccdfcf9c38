package prolalia.app.spoken;

import java.util.List;

/** What became of a recording that was ended. */
public sealed interface Verdict {
    /** A take was made of it. */
    record Taken(StoredTake take) implements Verdict {}

    /** It can't be a take. */
    record Refused(StoredRecording recording, long longestMs) implements Verdict {}

    /** Chunks are missing; the browser sends them again. */
    record Incomplete(List<Integer> missing) implements Verdict {}
}
