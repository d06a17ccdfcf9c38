package prolalia.app.school;

/**
 * What holds for the whole school.
 *
 * @param name empty until it is given
 * @param longestRecordingMs no recording is taken that is longer
 * @param address where students reach this server, without a slash at the end; null: worked out from the request
 */
public record SchoolSettings(String name, long longestRecordingMs, String address) {
    static final SchoolSettings AT_FIRST = new SchoolSettings("", 10 * 60_000L, null);

    public long longestRecordingMinutes() {
        return longestRecordingMs / 60_000;
    }
}
