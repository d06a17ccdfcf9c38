package prolalia.app.limits;

import prolalia.app.platform.TooSlowException;

/**
 * How slowly a body may come in.
 *
 * @param graceMs how long it may take whatever comes
 * @param leastBytesASecond on the whole, after that
 */
record SlowBodyLimit(long graceMs, long leastBytesASecond) {
    /** A name and a password: a slow line sends them in a second. */
    static final SlowBodyLimit OF_STRANGERS = new SlowBodyLimit(6_000, 4_096);

    /** A second of speech is 12 kB; a line that is slower than this never brings a lesson in. */
    static final SlowBodyLimit OF_FRIENDS = new SlowBodyLimit(30_000, 256);

    void check(long startedAtNs, long bytes) throws TooSlowException {
        long tookMs = (System.nanoTime() - startedAtNs) / 1_000_000;
        if (tookMs > graceMs && bytes * 1000 < leastBytesASecond * (tookMs - graceMs)) {
            throw new TooSlowException();
        }
    }
}
