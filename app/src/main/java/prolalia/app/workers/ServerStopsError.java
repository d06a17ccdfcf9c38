package prolalia.app.workers;

/**
 * The server stops in the middle of work, which is done at its next start. An error, so that nobody who handles faulty files takes
 * it for the fault of one and refuses what isn't at fault.
 */
public final class ServerStopsError extends Error {
    private static final long serialVersionUID = 1;
}
