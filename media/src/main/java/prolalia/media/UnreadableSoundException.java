package prolalia.media;

import prolalia.core.sound.Refusal;

/** A file that no sound can be read from, and why. */
public final class UnreadableSoundException extends Exception {
    private final Refusal.Reason reason;

    public UnreadableSoundException(Refusal.Reason reason, Throwable cause) {
        super(reason.name(), cause);
        this.reason = reason;
    }

    public Refusal.Reason reason() {
        return reason;
    }
}
