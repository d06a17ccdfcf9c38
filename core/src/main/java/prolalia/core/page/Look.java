package prolalia.core.page;

/**
 * How the mark of a spot looks.
 *
 * @param border round the mark
 * @param label words under the mark; empty when there are none
 */
public record Look(Tint tint, Border border, String label) {
    public static final int LONGEST_LABEL = 60;
    public static final Look USUAL = new Look(Tint.MOSS, Border.NONE, "");

    /** Colours; the red of recording isn't among them. */
    public enum Tint {
        MOSS,
        SEA,
        OCHRE,
        SLATE,
        INK
    }

    public enum Border {
        NONE,
        THIN,
        THICK
    }

    /** @throws IllegalArgumentException if the label is longer than {@value #LONGEST_LABEL} UTF-16 units */
    public Look {
        tint = tint == null ? Tint.MOSS : tint;
        border = border == null ? Border.NONE : border;
        label = label == null ? "" : label;
        if (label.length() > LONGEST_LABEL) {
            throw new IllegalArgumentException("A label of " + label.length());
        }
    }
}
