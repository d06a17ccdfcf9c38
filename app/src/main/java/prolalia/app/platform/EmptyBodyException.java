package prolalia.app.platform;

/** Thrown where something was to come in and not a single byte did: nothing was kept. */
public final class EmptyBodyException extends RuntimeException {}
