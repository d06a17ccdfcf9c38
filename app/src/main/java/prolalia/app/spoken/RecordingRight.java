package prolalia.app.spoken;

/** What somebody may record. */
public interface RecordingRight {
    /**
     * What a new recording is; asked with its first chunk.
     *
     * @throws prolalia.app.platform.NotFoundException when none may be begun
     */
    Beginning beginning();

    /** Whether this is a recording that may be gone on with, ended and thrown away. */
    boolean covers(StoredRecording recording);

    /**
     * @param speakerId who speaks: a teacher, or a student
     * @param words that are to be said; empty when that is open
     */
    record Beginning(RecordingOwner owner, String speakerId, String words) {}
}
