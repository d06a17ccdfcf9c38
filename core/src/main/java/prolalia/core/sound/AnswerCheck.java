package prolalia.core.sound;

import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.finding.Severity;

/** What makes a child's spoken answer hard to hear, by the thresholds of {@link SoundCheck}. */
public enum AnswerCheck implements CatalogueEntry {
    NOTHING_SAID,
    TOO_QUIET,
    NOISY,
    /** Somebody else speaks as well, as happens where many record in one room. */
    TWO_VOICES,
    /** Nobody ended it: the page was closed, or the device went out, while it was said. */
    BROKEN_OFF;

    /** What was found, as it is kept: names with a space between. */
    public static String written(Collection<AnswerCheck> found) {
        return found.stream().map(Enum::name).collect(Collectors.joining(" "));
    }

    /** @param written null: it wasn't looked at */
    public static List<AnswerCheck> read(String written) {
        return written == null || written.isEmpty()
                ? List.of()
                : Arrays.stream(written.split(" ")).map(AnswerCheck::valueOf).toList();
    }

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

    @Override
    public String words() {
        return "listening.check";
    }

    @Override
    public Severity severity() {
        return Severity.WARNING;
    }
}
