package prolalia.app.response;

/**
 * All that one student hands in of what was given to her.
 *
 * @param handedInAt null: not yet
 */
record StoredResponse(String id, String assignmentId, String studentId, long begunAt, long lastAt, Long handedInAt) {}
