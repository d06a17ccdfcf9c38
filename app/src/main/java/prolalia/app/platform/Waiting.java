package prolalia.app.platform;

import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Whatever takes its time (a lock, a program of its own, a lesson that may have to be rendered) is asked for outside of
 * transactions: there is one connection that writes, and whoever holds it keeps everybody waiting.
 */
public final class Waiting {
    private Waiting() {}

    /** @throws IllegalStateException within a transaction: that is a fault of the program */
    public static void allowed() {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("This may wait, and is asked for within a transaction");
        }
    }
}
