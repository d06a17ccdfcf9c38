package prolalia.app.spoken;

import java.util.Locale;

/** What a recording is for, and how much of it may come in. */
public enum RecordingPurpose {
    /** A teacher says a line: it becomes a take of it. A second of sound is some 16 kB, and a browser may save up a minute. */
    LINE(20_000, 8 << 20, 200L << 20, false),
    /** A student answers: it becomes a part of her answer, also when her page is closed while she speaks. */
    ANSWER(3_600, 2 << 20, 60L << 20, true),
    /** A teacher speaks back to an answer, or a student to that. */
    REMARK(3_600, 2 << 20, 60L << 20, false);

    private final int mostChunks;
    private final int largestChunkBytes;
    private final long largestBytes;
    private final boolean endsByItself;

    RecordingPurpose(int mostChunks, int largestChunkBytes, long largestBytes, boolean endsByItself) {
        this.mostChunks = mostChunks;
        this.largestChunkBytes = largestChunkBytes;
        this.largestBytes = largestBytes;
        this.endsByItself = endsByItself;
    }

    int mostChunks() {
        return mostChunks;
    }

    int largestChunkBytes() {
        return largestChunkBytes;
    }

    long largestBytes() {
        return largestBytes;
    }

    /** Whether what nobody ended is put together all the same, when nothing more of it came for a while. */
    boolean endsByItself() {
        return endsByItself;
    }

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }

    static RecordingPurpose of(String stored) {
        return valueOf(stored.toUpperCase(Locale.ROOT));
    }
}
