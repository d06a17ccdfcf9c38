package prolalia.app.platform;

import java.io.IOException;

/** A body came in so slowly that it was given up. */
public final class TooSlowException extends IOException {
    private static final long serialVersionUID = 1;
}
