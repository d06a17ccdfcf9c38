package prolalia.core.intake;

import java.util.Arrays;
import java.util.Optional;
import prolalia.core.lesson.LineKind;

/** What a piece of text on a page is taken for. */
public enum FoundKind {
    HEADING(LineKind.DIRECTION),
    DIRECTION(LineKind.DIRECTION),
    PASSAGE(LineKind.PASSAGE),
    QUESTION(LineKind.QUESTION),
    CHOICE(LineKind.CHOICE),
    LABEL(LineKind.LABEL),
    HINT(LineKind.HINT),
    PRAISE(LineKind.PRAISE),
    CORRECTION(LineKind.CORRECTION),
    /** A rule, dots or a box to write on; nothing to say. */
    BLANK(null),
    /** What the teacher wrote for herself beside a slide. */
    NOTE(LineKind.DIRECTION);

    private final LineKind becomes;

    FoundKind(LineKind becomes) {
        this.becomes = becomes;
    }

    /** What a line of a kind is taken for when it comes back. */
    public static FoundKind of(LineKind kind) {
        return kind == LineKind.DIRECTION
                ? DIRECTION
                : Arrays.stream(values())
                        .filter(found -> found.becomes == kind)
                        .findFirst()
                        .orElse(NOTE);
    }

    /** The kind of line that it is proposed as; empty if it is none. */
    public Optional<LineKind> becomes() {
        return Optional.ofNullable(becomes);
    }
}
