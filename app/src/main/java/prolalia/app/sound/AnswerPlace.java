package prolalia.app.sound;

/**
 * What a spoken answer, or a remark on one, belongs to.
 *
 * @param speakerId the student's, or the teacher's, who says it
 */
public record AnswerPlace(RecordingPurpose purpose, String responseId, String questionId, String speakerId) {
    static AnswerPlace of(RecordingPurpose purpose, String target, String speakerId) {
        String[] ids = target.split(" ");
        return new AnswerPlace(purpose, ids[0], ids[1], speakerId);
    }

    String target() {
        return responseId + " " + questionId;
    }
}
