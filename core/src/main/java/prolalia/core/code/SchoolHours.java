package prolalia.core.code;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * When a school is open: from Monday to Friday, between two times of the day.
 *
 * @param from minute of the day from which it is open, 0 to 1439
 * @param to minute of the day from which it is closed again, later than from, 1440 at most
 */
public record SchoolHours(int from, int to) {
    public static final int MINUTES_OF_A_DAY = 24 * 60;

    /** ISO 8601, 4.2.2: days of the week from Monday, 1. */
    private static final int FRIDAY = 5;

    private static final Pattern TIME = Pattern.compile("(\\d{1,2}):(\\d{2})");
    private static final Pattern STORED = Pattern.compile("(\\d{1,4})-(\\d{1,4})");

    /** @throws IllegalArgumentException if it is never open */
    public SchoolHours {
        if (from < 0 || to <= from || to > MINUTES_OF_A_DAY) {
            throw new IllegalArgumentException("Never open: " + from + " to " + to);
        }
    }

    /** Of times as 7:30 and 16:00 (ISO 8601, 4.3.1); empty if they are none, or not one before the other. */
    public static Optional<SchoolHours> between(String from, String to) {
        int start = minute(from);
        int end = minute(to);
        return start < 0 || end <= start ? Optional.empty() : Optional.of(new SchoolHours(start, end));
    }

    private static int minute(String time) {
        Matcher parts = TIME.matcher(time == null ? "" : time.strip());
        if (!parts.matches()) {
            return -1;
        }
        int hour = Integer.parseInt(parts.group(1));
        int minute = Integer.parseInt(parts.group(2));
        return hour > 24 || minute > 59 || hour * 60 + minute > MINUTES_OF_A_DAY ? -1 : hour * 60 + minute;
    }

    /** @param dayOfWeek from Monday, 1, to Sunday, 7 @param minuteOfDay from 0 */
    public boolean isOpen(int dayOfWeek, int minuteOfDay) {
        return dayOfWeek <= FRIDAY && minuteOfDay >= from && minuteOfDay < to;
    }

    /** As it is kept: the two minutes. */
    public String stored() {
        return from + "-" + to;
    }

    /** @return null for null, and for what was never stored */
    public static SchoolHours ofStored(String stored) {
        Matcher parts = STORED.matcher(stored == null ? "" : stored);
        return parts.matches()
                ? new SchoolHours(Integer.parseInt(parts.group(1)), Integer.parseInt(parts.group(2)))
                : null;
    }

    /** As 07:30 to 16:00 is written with a dash of its own. */
    public String fromTime() {
        return time(from);
    }

    public String toTime() {
        return time(to);
    }

    private static String time(int minute) {
        return String.format("%02d:%02d", minute / 60, minute % 60);
    }
}
