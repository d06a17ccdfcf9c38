package prolalia.app.demo;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** The house's clock, which is put back while the demo's weeks are made up, and right from then on. */
@Component
@Primary
@ConditionalOnProperty("prolalia.demo")
class DemoClock extends Clock {
    private volatile Duration back = Duration.ZERO;

    /** From now on it is then, and goes on from there. @param schoolDays ago: those from Monday to Friday */
    void putBack(int schoolDays, LocalTime time) {
        LocalDate day = LocalDate.now();
        for (int left = schoolDays; left > 0; ) {
            day = day.minusDays(1);
            left -= day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY ? 0 : 1;
        }
        back = Duration.between(day.atTime(time).atZone(ZoneId.systemDefault()).toInstant(), Instant.now());
    }

    void putRight() {
        back = Duration.ZERO;
    }

    @Override
    public Instant instant() {
        return Instant.now().minus(back);
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("The house's clock tells UTC");
    }
}
