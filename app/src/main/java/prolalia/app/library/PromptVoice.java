package prolalia.app.library;

/**
 * What a student's page says itself, in a teacher's voice.
 *
 * @param takeId the kept take of the standing line that says it
 * @param soundHash null when it isn't made as yet
 */
public record PromptVoice(String takeId, String soundHash, String words) {}
