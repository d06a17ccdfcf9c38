/**
 * All that somebody said, whatever it is for: takes of lines, answers, remarks, replies. Chunks come in by one protocol ({@link
 * prolalia.app.spoken.RecordingEndpoint}), are kept, put together and judged in one place ({@link
 * prolalia.app.spoken.ChunkedRecordings}); what becomes of them then, each purpose says.
 */
package prolalia.app.spoken;
