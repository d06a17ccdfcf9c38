package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SchoolHoursTest {
    private static final SchoolHours HOURS = new SchoolHours(7 * 60 + 30, 16 * 60);

    @Test
    void codesOpenFromMondayToFridayFromTheFirstMinuteAndNotInTheLast() {
        assertThat(IntStream.rangeClosed(1, 7).filter(day -> HOURS.isOpen(day, 12 * 60)))
                .containsExactly(1, 2, 3, 4, 5);
        assertThat(HOURS.isOpen(5, 7 * 60 + 29)).isFalse();
        assertThat(HOURS.isOpen(5, 7 * 60 + 30)).isTrue();
        assertThat(HOURS.isOpen(1, 15 * 60 + 59)).isTrue();
        assertThat(HOURS.isOpen(1, 16 * 60)).isFalse();
    }

    @Test
    void timesAreReadAsTheyAreTypedAndRefusedWhereTheyAreNone() {
        assertThat(SchoolHours.between(" 7:30", "16:00 ")).contains(HOURS);
        assertThat(SchoolHours.between("00:00", "24:00")).contains(new SchoolHours(0, SchoolHours.MINUTES_OF_A_DAY));
        for (String[] none : new String[][] {
            {"7:60", "16:00"},
            {"7:30", "24:01"},
            {"7:30", "25:00"},
            {"16:00", "16:00"},
            {"16:00", "7:30"},
            {"", "16:00"},
            {null, "16:00"},
            {"7.30", "16:00"}
        }) {
            assertThat(SchoolHours.between(none[0], none[1]))
                    .as(String.join(" to ", none[0] + "", none[1]))
                    .isEmpty();
        }
        assertThatThrownBy(() -> new SchoolHours(600, 600)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new SchoolHours(-1, 600)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new SchoolHours(0, 1_441)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theyAreKeptAndShown() {
        assertThat(SchoolHours.ofStored(HOURS.stored())).isEqualTo(HOURS);
        assertThat(SchoolHours.ofStored(null)).isNull();
        assertThat(SchoolHours.ofStored("always")).isNull();
        assertThat(HOURS.fromTime() + " to " + HOURS.toTime()).isEqualTo("07:30 to 16:00");
    }
}
