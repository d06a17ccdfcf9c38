package prolalia.formats.code;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.LuminanceSource;
import com.google.zxing.PlanarYUVLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.WriterException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import com.google.zxing.qrcode.encoder.QRCode;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;

/**
 * A QR code (ISO/IEC 18004) that leads to an address.
 *
 * <pre>{@code
 * byte[] png = CodeImage.of("https://school.example/l/…").png();
 * }</pre>
 *
 * <p>Immutable and thread-safe.
 */
public final class CodeImage {
    private static final int BLACK = 0xff000000;
    private static final int WHITE = 0xffffffff;

    /** Large enough to print a card from without seeing pixels. */
    private static final int PNG_PIXELS_PER_MODULE = 16;

    private static final int[] TRIED_PIXELS_PER_MODULE = {4, 7};

    private static final int[][] SIDES = {{0, 0, 1, 0}, {1, 0, 1, 1}, {1, 1, 0, 1}, {0, 1, 0, 0}};
    private static final int[][] BEYOND = {{0, -1}, {1, 0}, {0, 1}, {-1, 0}};

    private final CodeSymbol symbol;
    private final ByteMatrix modules;

    private CodeImage(CodeSymbol symbol, ByteMatrix modules) {
        this.symbol = symbol;
        this.modules = modules;
    }

    /**
     * Error correction M at least, so that 15 % of a code may be lost to a crease or a thumb; more where that costs no size.
     *
     * @throws IllegalArgumentException when the text is too long for a code (over about 2,300 bytes)
     */
    public static CodeImage of(String text) {
        try {
            return of(text, CodeSymbol.of(text));
        } catch (TooLongException tooLong) {
            throw new IllegalArgumentException("Too long for a code: " + text.length() + " characters", tooLong);
        }
    }

    /**
     * As a symbol of a size: several codes beside each other look alike.
     *
     * @throws IllegalArgumentException if it isn't large enough for the text
     */
    public static CodeImage of(String text, CodeSymbol symbol) {
        try {
            ErrorCorrectionLevel level =
                    ErrorCorrectionLevel.valueOf(symbol.level().name());
            Map<com.google.zxing.EncodeHintType, Object> hints = new HashMap<>();
            hints.put(com.google.zxing.EncodeHintType.QR_VERSION, symbol.version());
            if (!text.chars().allMatch(letter -> letter < 0x80)) {
                hints.put(com.google.zxing.EncodeHintType.CHARACTER_SET, "UTF-8");
            }
            ByteMatrix usual = Encoder.encode(text, level, hints).getMatrix();
            if (isEasilyRead(text, usual)) {
                return new CodeImage(symbol, usual);
            }
            for (int mask = 0; mask < QRCode.NUM_MASK_PATTERNS; mask++) {
                hints.put(com.google.zxing.EncodeHintType.QR_MASK_PATTERN, mask);
                ByteMatrix masked = Encoder.encode(text, level, hints).getMatrix();
                if (isEasilyRead(text, masked)) {
                    return new CodeImage(symbol, masked);
                }
            }
            return new CodeImage(symbol, usual);
        } catch (WriterException smaller) {
            throw new IllegalArgumentException("Not in a code of version " + symbol.version(), smaller);
        }
    }

    /**
     * About one code in 350 says something that looks like one of its corners, and a reader that takes the first three corners
     * reads nothing: with another mask (ISO/IEC 18004, 7.8) it says the same and looks different.
     */
    private static boolean isEasilyRead(String text, ByteMatrix modules) {
        for (int scale : TRIED_PIXELS_PER_MODULE) {
            int side = (modules.getWidth() + 2 * CodeSymbol.QUIET_ZONE_MODULES) * scale;
            byte[] points = new byte[side * side];
            for (int at = 0; at < points.length; at++) {
                int x = at % side / scale - CodeSymbol.QUIET_ZONE_MODULES;
                int y = at / side / scale - CodeSymbol.QUIET_ZONE_MODULES;
                boolean within = x >= 0 && y >= 0 && x < modules.getWidth() && y < modules.getHeight();
                points[at] = (byte) (within && modules.get(x, y) == 1 ? 0 : 0xff);
            }
            LuminanceSource seen = new PlanarYUVLuminanceSource(points, side, side, 0, 0, side, side, false);
            try {
                if (!new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(seen)))
                        .getText()
                        .equals(text)) {
                    return false;
                }
            } catch (ReaderException unread) {
                return false;
            }
        }
        return true;
    }

    public CodeSymbol symbol() {
        return symbol;
    }

    /** Width and height in modules, quiet zone included. */
    public int sizeModules() {
        return symbol.modulesWithQuietZone();
    }

    private boolean isDark(int x, int y) {
        return x >= 0 && y >= 0 && x < modules.getWidth() && y < modules.getHeight() && modules.get(x, y) == 1;
    }

    /**
     * The outlines of what is dark, to be filled by the even-odd rule; each as x, y, x, y … in modules from the corner of the
     * quiet zone. Filled as one path it shows no hairlines, as squares beside each other do.
     */
    public List<int[]> outlines() {
        Map<Integer, List<int[]>> from = new HashMap<>();
        int row = modules.getWidth() + 1;
        for (int y = 0; y < modules.getHeight(); y++) {
            for (int x = 0; x < modules.getWidth(); x++) {
                for (int side = 0; isDark(x, y) && side < SIDES.length; side++) {
                    if (!isDark(x + BEYOND[side][0], y + BEYOND[side][1])) {
                        int[] at = SIDES[side];
                        int start = (y + at[1]) * row + x + at[0];
                        int end = (y + at[3]) * row + x + at[2];
                        from.computeIfAbsent(start, none -> new ArrayList<>(2)).add(new int[] {start, end});
                    }
                }
            }
        }
        List<int[]> outlines = new ArrayList<>();
        for (int y = 0; y < row; y++) {
            for (int x = 0; x < row; x++) {
                while (!from.getOrDefault(y * row + x, List.of()).isEmpty()) {
                    outlines.add(outline(from, y * row + x, row));
                }
            }
        }
        return outlines;
    }

    private static int[] outline(Map<Integer, List<int[]>> from, int start, int row) {
        List<Integer> corners = new ArrayList<>();
        int at = start;
        int before = 0;
        do {
            List<int[]> ways = from.get(at);
            int next = ways.remove(ways.size() - 1)[1];
            if (next - at != before) {
                corners.add(at % row + CodeSymbol.QUIET_ZONE_MODULES);
                corners.add(at / row + CodeSymbol.QUIET_ZONE_MODULES);
            }
            before = next - at;
            at = next;
        } while (at != start);
        return corners.stream().mapToInt(Integer::intValue).toArray();
    }

    /** The dark modules as the {@code d} of one SVG path, one unit a module. */
    public String path() {
        StringBuilder path = new StringBuilder();
        for (int[] outline : outlines()) {
            path.append('M').append(outline[0]).append(' ').append(outline[1]);
            for (int i = 2; i < outline.length; i += 2) {
                if (outline[i] == outline[i - 2]) {
                    path.append('V').append(outline[i + 1]);
                } else {
                    path.append('H').append(outline[i]);
                }
            }
            path.append('z');
        }
        return path.toString();
    }

    /** A whole SVG file. */
    public String svg() {
        return """
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %1$d" width="%2$d" height="%2$d" \
                shape-rendering="crispEdges"><rect width="%1$d" height="%1$d" fill="#fff"/><path d="%3$s" \
                fill="#000" fill-rule="evenodd"/></svg>
                """.formatted(sizeModules(), sizeModules() * PNG_PIXELS_PER_MODULE, path());
    }

    /** A whole PNG file. */
    public byte[] png() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture(), "png", out);
        } catch (IOException impossible) {
            throw new UncheckedIOException("Writing to memory", impossible);
        }
        return out.toByteArray();
    }

    private BufferedImage picture() {
        int size = sizeModules() * PNG_PIXELS_PER_MODULE;
        BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < size; y++) {
            for (int x = 0; x < size; x++) {
                boolean dark = isDark(
                        x / PNG_PIXELS_PER_MODULE - CodeSymbol.QUIET_ZONE_MODULES,
                        y / PNG_PIXELS_PER_MODULE - CodeSymbol.QUIET_ZONE_MODULES);
                image.setRGB(x, y, dark ? BLACK : WHITE);
            }
        }
        return image;
    }
}
