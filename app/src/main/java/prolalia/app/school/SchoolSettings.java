package prolalia.app.school;

/**
 * What holds for the whole school.
 *
 * @param name empty until it is given
 * @param longestRecordingMs no recording is taken that is longer
 * @param keepMonths so long it is kept what students did and recorded
 * @param address where students reach this server, without a slash at the end; null: worked out from the request
 * @param timeZone in which hours, days and dates are meant (an IANA name); null: the machine's
 */
public record SchoolSettings(String name, long longestRecordingMs, int keepMonths, String address, String timeZone) {
    static final SchoolSettings AT_FIRST = new SchoolSettings("", 10 * 60_000L, 12, null, null);

    SchoolSettings in(String zone) {
        return new SchoolSettings(name, longestRecordingMs, keepMonths, address, zone);
    }

    public long longestRecordingMinutes() {
        return longestRecordingMs / 60_000;
    }
}
