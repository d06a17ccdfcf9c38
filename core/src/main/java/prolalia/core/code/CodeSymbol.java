package prolalia.core.code;

import java.util.List;

/**
 * The symbol that a text needs (ISO/IEC 18004): the smallest version that holds it at error correction M, and in that version the
 * highest level that still holds it.
 *
 * @param version 1 to 40
 * @param level of error correction
 * @param alphanumeric whether two letters take eleven bits (7.4.4): digits, capitals and {@code $%*+-./:} only
 */
public record CodeSymbol(int version, Level level, boolean alphanumeric) {
    /** Section 6.3.8: so many modules of nothing on every side. */
    public static final int QUIET_ZONE_MODULES = 4;

    /** Table 5. */
    private static final String ALPHANUMERIC = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ $%*+-./:";

    private static final int MODE_BITS = 4;
    private static final int VERSIONS = 40;

    /** How much of a symbol may be lost: 7, 15, 25 and 30 % (section 6.5.1). With each, its data codewords by version (table 7). */
    public enum Level {
        L(
                19, 34, 55, 80, 108, 136, 156, 194, 232, 274, 324, 370, 428, 461, 523, 589, 647, 721, 795, 861, 932,
                1006, 1094, 1174, 1276, 1370, 1468, 1531, 1631, 1735, 1843, 1955, 2071, 2191, 2306, 2434, 2566, 2702,
                2812, 2956),
        M(
                16, 28, 44, 64, 86, 108, 124, 154, 182, 216, 254, 290, 334, 365, 415, 453, 507, 563, 627, 669, 714, 782,
                860, 914, 1000, 1062, 1128, 1193, 1267, 1373, 1455, 1541, 1631, 1725, 1812, 1914, 1992, 2102, 2216,
                2334),
        Q(
                13, 22, 34, 48, 62, 76, 88, 110, 132, 154, 180, 206, 244, 261, 295, 325, 367, 397, 445, 485, 512, 568,
                614, 664, 718, 754, 808, 871, 911, 985, 1033, 1115, 1171, 1231, 1286, 1354, 1426, 1502, 1582, 1666),
        H(
                9, 16, 26, 36, 46, 60, 66, 86, 100, 122, 140, 158, 180, 197, 223, 253, 283, 313, 341, 385, 406, 442,
                464, 514, 538, 596, 628, 661, 701, 745, 793, 845, 901, 961, 986, 1054, 1096, 1142, 1222, 1276);

        private final int[] dataCodewords;

        Level(int... dataCodewords) {
            this.dataCodewords = dataCodewords;
        }

        /** @param version 1 to 40 */
        public int dataCodewords(int version) {
            return dataCodewords[version - 1];
        }
    }

    /** @throws IllegalArgumentException if no version has this number */
    public CodeSymbol {
        if (version < 1 || version > VERSIONS) {
            throw new IllegalArgumentException("No version: " + version);
        }
    }

    /** @throws TooLongException if no symbol holds it at level M: more than 2,331 bytes */
    public static CodeSymbol of(String text) throws TooLongException {
        boolean alphanumeric = isAlphanumeric(text);
        for (int version = 1; version <= VERSIONS; version++) {
            if (fits(text, alphanumeric, version, Level.M)) {
                Level highest = Level.M;
                for (Level level : List.of(Level.Q, Level.H)) {
                    highest = fits(text, alphanumeric, version, level) ? level : highest;
                }
                return new CodeSymbol(version, highest, alphanumeric);
            }
        }
        throw new TooLongException(text.length());
    }

    /** A text that no symbol holds. */
    public static final class TooLongException extends Exception {
        private TooLongException(int length) {
            super(length + " characters are too many for a code");
        }
    }

    public static boolean isAlphanumeric(String text) {
        return text.chars().allMatch(letter -> ALPHANUMERIC.indexOf(letter) >= 0);
    }

    private static boolean fits(String text, boolean alphanumeric, int version, Level level) {
        return bits(text, alphanumeric, version) <= 8L * level.dataCodewords(version);
    }

    /** Section 7.4: mode, count (table 3) and data. */
    private static long bits(String text, boolean alphanumeric, int version) {
        if (alphanumeric) {
            int count = version < 10 ? 9 : version < 27 ? 11 : 13;
            return MODE_BITS + count + 11L * (text.length() / 2) + 6L * (text.length() % 2);
        }
        int bytes = text.codePoints()
                .map(point -> point < 0x80 ? 1 : point < 0x800 ? 2 : point < 0x10000 ? 3 : 4)
                .sum();
        int count = version < 10 ? 8 : 16;
        // What isn't ASCII is announced as UTF-8 (7.4.2), in twelve bits.
        int announced = bytes == text.length() ? 0 : 12;
        return announced + MODE_BITS + count + 8L * bytes;
    }

    /** Width and height without the quiet zone (section 6.3.1). */
    public int modules() {
        return 17 + 4 * version;
    }

    public int modulesWithQuietZone() {
        return modules() + 2 * QUIET_ZONE_MODULES;
    }
}
