package prolalia.core.classroom;

import java.time.LocalDate;
import java.time.Month;
import java.util.Locale;

/**
 * A school year, from the first of August on: "2026/27".
 *
 * @param begins the year in which it begins
 */
public record SchoolYear(int begins) {
    private static final int CENTURY = 100;

    /** The one that a day is in. */
    public static SchoolYear of(LocalDate day) {
        return new SchoolYear(day.getMonthValue() >= Month.AUGUST.getValue() ? day.getYear() : day.getYear() - 1);
    }

    public SchoolYear next() {
        return new SchoolYear(begins + 1);
    }

    public LocalDate firstDay() {
        return LocalDate.of(begins, Month.AUGUST, 1);
    }

    /** Whether a year is an earlier one; one that is written in another way than here isn't. */
    public boolean isAfter(String written) {
        return written.matches("\\d{4}/\\d{2}") && written.compareTo(toString()) < 0;
    }

    @Override
    public String toString() {
        return begins + "/" + String.format(Locale.ROOT, "%02d", (begins + 1) % CENTURY);
    }
}
