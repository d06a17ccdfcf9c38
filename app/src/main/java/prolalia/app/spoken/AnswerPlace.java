package prolalia.app.spoken;

import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.RecordingOwner.OfAnswer;

/**
 * What a spoken answer, or a remark on one, belongs to; by it that is recorded.
 *
 * @param speakerId the student's, or the teacher's, who says it
 */
public record AnswerPlace(OfAnswer owner, String speakerId) implements RecordingRight {
    public AnswerPlace(RecordingPurpose purpose, String responseId, String questionId, String speakerId) {
        this(new OfAnswer(purpose, responseId, questionId), speakerId);
    }

    /** What somebody said back or answered, wherever that was. */
    public static RecordingRight saidBy(String speakerId) {
        return new RecordingRight() {
            @Override
            public Beginning beginning() {
                throw new NotFoundException("recording");
            }

            @Override
            public boolean covers(StoredRecording recording) {
                return recording.owner() instanceof OfAnswer
                        && recording.speakerId().equals(speakerId);
            }
        };
    }

    @Override
    public Beginning beginning() {
        return new Beginning(owner, speakerId, "");
    }

    @Override
    public boolean covers(StoredRecording recording) {
        return recording.owner().equals(owner) && recording.speakerId().equals(speakerId);
    }

    public String responseId() {
        return owner.responseId();
    }

    public String questionId() {
        return owner.questionId();
    }
}
