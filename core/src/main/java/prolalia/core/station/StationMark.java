package prolalia.core.station;

/**
 * How a station looks that has no picture of its own: its number in a form and a colour. Forms differ as well as colours, so that
 * it is known in grey, too.
 *
 * @param number from 1
 */
public record StationMark(int number) {
    /** As SVG paths on a square of 100. */
    private static final String[] FORMS = {
        "M50 6 a44 44 0 1 0 .01 0 z",
        "M10 10 h80 v80 h-80 z",
        "M50 4 L96 90 H4 z",
        "M50 2 L98 50 L50 98 L2 50 z",
        "M28 6 h44 L96 50 L72 94 H28 L4 50 z",
        "M50 92 C-20 44 20 -6 50 26 C80 -6 120 44 50 92 z",
        "M6 50 C6 4 94 4 94 50 V94 H6 z",
        "M50 3 L63 36 L97 38 L70 59 L80 94 L50 74 L20 94 L30 59 L3 38 L37 36 z"
    };

    /** Dark enough for white figures: 4.5 to 1 and more. */
    private static final String[] COLOURS = {
        "#1d5f7e", "#3c7254", "#8a5d0c", "#7a3550", "#3b4a8c", "#55636d", "#9c3b20", "#2c6e6e"
    };

    public String form() {
        return FORMS[Math.floorMod(number - 1, FORMS.length)];
    }

    public String colour() {
        return COLOURS[Math.floorMod(number - 1 + (number - 1) / FORMS.length, COLOURS.length)];
    }
}
