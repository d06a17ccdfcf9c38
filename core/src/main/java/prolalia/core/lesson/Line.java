package prolalia.core.lesson;

import java.util.Optional;

/**
 * A piece of text that can be voiced.
 *
 * @param id names it everywhere
 * @param words as typed
 * @param kept the take that students hear, if there is one
 */
public record Line(String id, LineTraits traits, String words, Optional<Take> kept) {
    public Line(String id, LineKind kind, String words, Optional<Take> kept) {
        this(id, LineTraits.of(kind), words, kept);
    }

    public LineKind kind() {
        return traits.kind();
    }

    /** Whether there is any word to say; a line may be still empty, or have icons alone. */
    public boolean isSayable() {
        return !SpokenWords.of(words).isEmpty();
    }

    public LineState state() {
        if (kept.isEmpty()) {
            return LineState.SILENT;
        }
        if (!SpokenWords.areTheSame(words, kept.get().words())) {
            return LineState.OUTDATED;
        }
        return kept.get().doubtful() ? LineState.DOUBTFUL : LineState.VOICED;
    }
}
