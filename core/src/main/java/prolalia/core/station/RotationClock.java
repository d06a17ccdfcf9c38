package prolalia.core.station;

/**
 * The time of a rotation, as values: what is pressed makes another clock. Times are by the clock of whoever keeps it.
 *
 * @param roundMs how long a round is, if nothing is added
 * @param rounds how many there are
 * @param round that ran, or was halted, when this clock was made; from 0
 * @param endsAtMs when that round ends; of no meaning while it is halted
 * @param lengthMs how long that round is
 * @param haltedLeftMs what was left of it when it was halted; null: it runs
 */
public record RotationClock(long roundMs, int rounds, int round, long endsAtMs, long lengthMs, Long haltedLeftMs) {
    public static final int MOST_MINUTES = 180;

    private static final long MINUTE_MS = 60_000;

    /** @throws IllegalArgumentException if no time passes in it */
    public RotationClock {
        if (roundMs < 1 || rounds < 1 || round < 0) {
            throw new IllegalArgumentException(rounds + " rounds of " + roundMs + " ms");
        }
    }

    /** @throws IllegalArgumentException if there are no rounds, or no minutes, or more than {@value #MOST_MINUTES} */
    public static RotationClock started(int minutes, int rounds, long nowMs) {
        if (minutes < 1 || minutes > MOST_MINUTES) {
            throw new IllegalArgumentException(minutes + " minutes");
        }
        long length = minutes * MINUTE_MS;
        return new RotationClock(length, rounds, 0, nowMs + length, length, null);
    }

    /**
     * What the board shows.
     *
     * @param round from 0; the number of rounds when all are over
     * @param leftMs of the round
     * @param lengthMs of the round
     */
    public record At(int round, long leftMs, long lengthMs) {}

    public At at(long nowMs) {
        if (round >= rounds) {
            return new At(rounds, 0, roundMs);
        }
        if (haltedLeftMs != null) {
            return new At(round, haltedLeftMs, lengthMs);
        }
        if (nowMs < endsAtMs) {
            return new At(round, Math.min(lengthMs, endsAtMs - nowMs), lengthMs);
        }
        long since = nowMs - endsAtMs;
        long now = round + 1 + since / roundMs;
        return now >= rounds ? new At(rounds, 0, roundMs) : new At((int) now, roundMs - since % roundMs, roundMs);
    }

    public boolean isOver(long nowMs) {
        return at(nowMs).round() >= rounds;
    }

    public RotationClock halted(long nowMs) {
        At at = at(nowMs);
        return new RotationClock(roundMs, rounds, at.round(), 0, at.lengthMs(), at.leftMs());
    }

    public RotationClock goneOn(long nowMs) {
        At at = at(nowMs);
        return new RotationClock(roundMs, rounds, at.round(), nowMs + at.leftMs(), at.lengthMs(), null);
    }

    /** The round that runs lasts a minute more. */
    public RotationClock withMinuteMore(long nowMs) {
        At at = at(nowMs);
        Long halted = haltedLeftMs == null ? null : (Long) (at.leftMs() + MINUTE_MS);
        return new RotationClock(
                roundMs, rounds, at.round(), nowMs + at.leftMs() + MINUTE_MS, at.lengthMs() + MINUTE_MS, halted);
    }

    /** Another round, from its start. @param to from 0; the number of rounds ends it */
    public RotationClock inRound(int to, long nowMs) {
        Long halted = haltedLeftMs == null ? null : (Long) roundMs;
        return new RotationClock(roundMs, rounds, Math.max(0, Math.min(rounds, to)), nowMs + roundMs, roundMs, halted);
    }
}
