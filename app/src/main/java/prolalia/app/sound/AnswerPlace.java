package prolalia.app.sound;

/** What a spoken answer belongs to. */
public record AnswerPlace(String responseId, String questionId, String studentId) {
    String target() {
        return responseId + " " + questionId;
    }
}
