package prolalia.core.sound;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What makes a child's spoken answer hard to hear, by the thresholds of {@link SoundCheck}. */
public enum AnswerCheck {
    NOTHING_SAID,
    TOO_QUIET,
    NOISY,
    /** Somebody else speaks as well, as happens where many record in one room. */
    TWO_VOICES;

    /** @param second where another voice speaks ({@link Voices#second}) */
    public static Set<AnswerCheck> of(Measurement measured, Optional<Span> second) {
        Set<AnswerCheck> found = EnumSet.noneOf(AnswerCheck.class);
        if (measured.speech().isEmpty()) {
            found.add(NOTHING_SAID);
            return found;
        }
        if (measured.integratedLufs() < SoundCheck.QUIET_LUFS) {
            found.add(TOO_QUIET);
        }
        if (measured.speechToNoiseDb() < SoundCheck.NOISY_DB) {
            found.add(NOISY);
        }
        if (second.isPresent()) {
            found.add(TWO_VOICES);
        }
        return found;
    }
}
