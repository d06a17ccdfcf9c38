package prolalia.app.platform;

/** More comes in than may. */
public final class TooLargeException extends RuntimeException {}
