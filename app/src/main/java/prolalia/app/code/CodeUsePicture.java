package prolalia.app.code;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import prolalia.app.link.LinkUse.Hour;

/** When a code was scanned, as rows of numbers that are drawn. */
final class CodeUsePicture {
    private static final int DAYS = 14;
    private static final int HOURS = 24;

    private CodeUsePicture() {}

    /** @param zone of the school */
    record Clock(Instant now, ZoneId zone) {
        static final Clock NONE = new Clock(Instant.EPOCH, ZoneId.of("UTC"));
    }

    /** Of the last two weeks, today last. */
    static List<Integer> days(List<Hour> used, Clock clock) {
        List<Integer> days = new ArrayList<>(Collections.nCopies(DAYS, 0));
        LocalDate today = LocalDate.ofInstant(clock.now(), clock.zone());
        for (Hour hour : used) {
            long ago = today.toEpochDay()
                    - LocalDate.ofInstant(Instant.ofEpochMilli(hour.ms()), clock.zone())
                            .toEpochDay();
            if (ago >= 0 && ago < DAYS) {
                days.set(
                        DAYS - 1 - (int) ago,
                        days.get(DAYS - 1 - (int) ago) + hour.count().scans());
            }
        }
        return days;
    }

    /** By the hour of the day. */
    static List<Integer> hours(List<Hour> used, Clock clock) {
        List<Integer> hours = new ArrayList<>(Collections.nCopies(HOURS, 0));
        for (Hour hour : used) {
            int at = Instant.ofEpochMilli(hour.ms()).atZone(clock.zone()).getHour();
            hours.set(at, hours.get(at) + hour.count().scans());
        }
        return hours;
    }
}
