package prolalia.core.classroom;

/**
 * When something that was given is there for a child.
 *
 * @param startsAt in ms since 1970; null: at once
 * @param endsAt likewise; null: never
 */
public record Due(Long startsAt, Long endsAt) {
    public static final Due ALWAYS = new Due(null, null);

    /** For whoever has more time, what ends for others stays for as many days. */
    private static final long MORE_TIME_MS = 7 * 86_400_000L;

    public boolean isThere(long now, Accommodation accommodation) {
        long more = accommodation.moreTime() ? MORE_TIME_MS : 0;
        return (startsAt == null || startsAt <= now) && (endsAt == null || now < endsAt + more);
    }

    public boolean hasBegun(long now) {
        return startsAt == null || startsAt <= now;
    }

    public boolean hasEnded(long now) {
        return endsAt != null && endsAt <= now;
    }
}
