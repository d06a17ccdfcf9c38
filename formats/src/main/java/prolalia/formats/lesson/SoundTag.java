package prolalia.formats.lesson;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.openxmlformats.schemas.drawingml.x2006.main.CTNonVisualDrawingProps;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundSound.SaidLine;
import prolalia.core.intake.Proposal;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;

/**
 * What the mark of a sound on a slide that we wrote says of its line: the kind and the label in its name, the words in its
 * alternative text (ISO/IEC 29500-1, 19.3.1.12), where programs for slides leave them as they are.
 */
public final class SoundTag {
    private static final String NAME = "Line sound: ";
    private static final Pattern FORM = Pattern.compile(Pattern.quote(NAME) + "([A-Z]+)(?: (.+))?");

    private SoundTag() {}

    public static void write(Line line, CTNonVisualDrawingProps mark) {
        String label = line.traits().label();
        mark.setName(plain(NAME + line.kind() + (label == null ? "" : " " + label)));
        mark.setDescr(plain(line.words()));
    }

    /** Without the signs that XML 1.0 has no place for. */
    public static String plain(String words) {
        return words.replaceAll("[\\p{Cc}&&[^\\t\\n\\r]]", "");
    }

    /** Empty when it isn't one of ours. */
    public static Optional<SaidLine> read(CTNonVisualDrawingProps mark) {
        Matcher form = FORM.matcher(mark.getName() == null ? "" : mark.getName());
        if (!form.matches() || !mark.isSetDescr() || mark.getDescr().isBlank()) {
            return Optional.empty();
        }
        String label = form.group(2);
        boolean isLabel = label == null || label.length() <= LineTraits.LONGEST_LABEL;
        boolean isLine = mark.getDescr().length() <= Proposal.LONGEST_TEXT;
        return isLabel && isLine
                ? kind(form.group(1)).map(kind -> new SaidLine(FoundKind.of(kind), label, mark.getDescr()))
                : Optional.empty();
    }

    private static Optional<LineKind> kind(String name) {
        try {
            return Optional.of(LineKind.valueOf(name));
        } catch (IllegalArgumentException anothers) {
            return Optional.empty();
        }
    }
}
