package prolalia.app.spoken;

import java.util.List;
import prolalia.core.sound.Refusal;

/** What became of a recording that was ended. */
public sealed interface Ended {
    /** It can be heard. @param recording as it stands; another than that which was ended when more of it came in late */
    record Made(StoredRecording recording) implements Ended {}

    /** It isn't kept as what it was to be. */
    record Refused(StoredRecording recording) implements Ended {
        public Refusal.Reason reason() {
            return recording.refusal();
        }
    }

    /** @param missing the chunks that haven't come in; the browser sends them again */
    record Incomplete(List<Integer> missing) implements Ended {}

    /** The chunks that haven't come in. */
    default List<Integer> missing() {
        return List.of();
    }

    default boolean isMade() {
        return this instanceof Made;
    }

    /** Why nothing of it is heard; null: it can be, or some of it hasn't come in. */
    default Refusal.Reason refusal() {
        return this instanceof Refused refused ? refused.reason() : null;
    }
}
