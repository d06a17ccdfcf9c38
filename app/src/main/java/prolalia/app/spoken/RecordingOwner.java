package prolalia.app.spoken;

/** What a recording is of. */
public sealed interface RecordingOwner {
    RecordingPurpose purpose();

    /** @param voice in which the line is said */
    record OfLine(String lineId, String voice) implements RecordingOwner {
        @Override
        public RecordingPurpose purpose() {
            return RecordingPurpose.LINE;
        }
    }

    /** An answer to a question of a response, or what is said back to it. */
    record OfAnswer(RecordingPurpose purpose, String responseId, String questionId) implements RecordingOwner {}
}
