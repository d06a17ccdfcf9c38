package prolalia.app.platform;

/** There is no room on the disk for what should be kept; nothing of it was. */
public final class FullDiskException extends RuntimeException {}
