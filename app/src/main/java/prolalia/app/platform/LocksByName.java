package prolalia.app.platform;

import java.util.Arrays;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;

/** A lock for every name, out of a few: what has the same name waits for each other, and seldom for another name. */
public final class LocksByName {
    private final Lock[] locks = new Lock[64];

    public LocksByName() {
        Arrays.setAll(locks, i -> new ReentrantLock());
    }

    /** @throws IllegalStateException within a transaction */
    public Lock of(String name) {
        Waiting.allowed();
        return locks[Math.floorMod(name.hashCode(), locks.length)];
    }
}
