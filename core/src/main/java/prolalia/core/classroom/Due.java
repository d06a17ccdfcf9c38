package prolalia.core.classroom;

import java.time.Instant;
import java.time.ZoneId;

/**
 * When something that was given is there for a child.
 *
 * @param startsAt in ms since 1970; null: at once
 * @param endsAt likewise; null: never
 */
public record Due(Long startsAt, Long endsAt) {
    public static final Due ALWAYS = new Due(null, null);

    /** For whoever has more time, what ends for others stays for as many days, until the same time of day. */
    private static final int MORE_DAYS = 7;

    /** @param zone in whose days and hours it was given */
    public boolean isThere(long now, Accommodation accommodation, ZoneId zone) {
        return hasBegun(now) && (endsAt == null || now < end(accommodation, zone));
    }

    private long end(Accommodation accommodation, ZoneId zone) {
        return accommodation.moreTime()
                ? Instant.ofEpochMilli(endsAt)
                        .atZone(zone)
                        .plusDays(MORE_DAYS)
                        .toInstant()
                        .toEpochMilli()
                : endsAt;
    }

    public boolean hasBegun(long now) {
        return startsAt == null || startsAt <= now;
    }

    public boolean hasEnded(long now) {
        return endsAt != null && endsAt <= now;
    }
}
