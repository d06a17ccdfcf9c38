package prolalia.core.station;

/**
 * How a station looks that has no picture of its own: a drawing in one ink on a ruled tab, with its number under the rule.
 *
 * @param number from 1; after the last drawing they begin again
 */
public record StationMark(int number) {
    /** How wide and high the tab is; the drawing stands in it from 5 to 95 across and from 6 to 58 down. */
    public static final int SIDE = 100;
    /** Where the rule stands, from the top. */
    public static final int RULE = 64;
    /** How broad the pen is. */
    public static final double PEN = 4.6;

    /** As SVG paths, drawn with a pen. */
    private static final String[] DRAWINGS = {
        // leaf, bell, shell, boat
        "M29 55 C25 27 43 10 76 10 C76 38 58 56 29 55 M22 58 C36 44 48 33 62 23",
        "M27 47 C35 42 33 34 35 27 C37 17 44 13 50 13 C56 13 63 17 65 27 C67 34 65 42 73 47 z M44 53 a6 5 0 0 0 12 0 M50 13 v-5",
        "M50 56 L24 36 C22 6 78 6 76 36 z M50 56 L38 15 M50 56 L62 15 M50 56 V13",
        "M21 45 H79 L71 57 H29 z M50 45 V8 L73 40 H50 M50 17 L30 40 H50",
        // kite, cup, drum, ladder
        "M46 7 L67 26 L46 48 L25 26 z M46 7 V48 M25 26 H67 M46 48 C52 58 62 44 66 54 C69 60 76 55 77 50",
        "M29 20 H65 V42 C65 53 57 57 47 57 C37 57 29 53 29 42 z M65 26 h5 c10 0 10 17 0 17 h-6 M40 13 q3 -3 0 -5 M53 13 q3 -3 0 -5",
        "M25 18 a25 9 0 1 0 50 0 a25 9 0 1 0 -50 0 M25 18 V47 a25 9 0 0 0 50 0 V18 M25 28 L38 54 L50 30 L62 54 L75 28",
        "M35 8 V57 M65 8 V57 M35 17 H65 M35 29 H65 M35 41 H65 M35 52 H65",
        // mushroom, lantern, key, tent
        "M23 35 C23 3 77 3 77 35 z M42 35 C44 44 42 51 37 57 H63 C58 51 56 44 58 35 M40 24 h.1 M53 17 h.1 M64 27 h.1",
        "M36 21 H64 L68 52 H32 z M39 21 C39 6 61 6 61 21 M50 29 C42 38 46 46 50 46 C54 46 58 38 50 29 M28 57 H72",
        "M24 30 a12 12 0 1 0 24 0 a12 12 0 1 0 -24 0 M48 30 H79 M67 30 v11 M78 30 v14",
        "M50 10 L81 57 H19 z M50 10 L45 4 M50 10 L55 4 M50 26 L38 57 M50 26 L62 57"
    };

    /** How many different drawings there are. */
    public static final int COUNT = DRAWINGS.length;

    public String drawing() {
        return DRAWINGS[Math.floorMod(number - 1, DRAWINGS.length)];
    }
}
