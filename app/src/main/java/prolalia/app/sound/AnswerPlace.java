package prolalia.app.sound;

/**
 * What a spoken answer, or a remark on one, belongs to.
 *
 * @param speakerId the student's, or the teacher's, who says it
 */
public record AnswerPlace(RecordingPurpose purpose, String responseId, String questionId, String speakerId) {
    String target() {
        return responseId + " " + questionId;
    }
}
