package prolalia.formats.code;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import javax.imageio.ImageIO;

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
    /** ISO/IEC 18004, 5.3.8: four modules of nothing on every side. */
    private static final int QUIET_ZONE_MODULES = 4;

    private static final int BLACK = 0xff000000;
    private static final int WHITE = 0xffffffff;

    /** Large enough to print a card from without seeing pixels. */
    private static final int PNG_PIXELS_PER_MODULE = 16;

    private final BitMatrix modules;

    private CodeImage(BitMatrix modules) {
        this.modules = modules;
    }

    /**
     * Error correction M: 15 % of a code may be lost to a crease or a thumb.
     *
     * @throws IllegalArgumentException when the text is too long for a code (over about 2,300 bytes)
     */
    public static CodeImage of(String text) {
        Map<EncodeHintType, Object> hints = Map.of(
                EncodeHintType.ERROR_CORRECTION,
                ErrorCorrectionLevel.M,
                EncodeHintType.MARGIN,
                QUIET_ZONE_MODULES,
                EncodeHintType.CHARACTER_SET,
                StandardCharsets.UTF_8.name());
        try {
            return new CodeImage(new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, hints));
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException("Too long for a code: " + text.length() + " characters", tooLong);
        }
    }

    /** Width and height in modules, quiet zone included. */
    public int sizeModules() {
        return modules.getWidth();
    }

    /** The dark modules as the {@code d} of one SVG path, one unit a module. */
    public String path() {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < sizeModules(); y++) {
            int x = 0;
            while (x < sizeModules()) {
                if (!modules.get(x, y)) {
                    x++;
                    continue;
                }
                int start = x;
                while (x < sizeModules() && modules.get(x, y)) {
                    x++;
                }
                path.append('M')
                        .append(start)
                        .append(' ')
                        .append(y)
                        .append('h')
                        .append(x - start)
                        .append("v1h-")
                        .append(x - start)
                        .append('z');
            }
        }
        return path.toString();
    }

    /** A whole SVG file. */
    public String svg() {
        return """
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %1$d" width="%2$d" height="%2$d" \
                shape-rendering="crispEdges"><rect width="%1$d" height="%1$d" fill="#fff"/><path d="%3$s" \
                fill="#000"/></svg>
                """.formatted(sizeModules(), sizeModules() * PNG_PIXELS_PER_MODULE, path());
    }

    /** A whole PNG file. */
    public byte[] png() {
        int size = sizeModules() * PNG_PIXELS_PER_MODULE;
        BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < size; y++) {
            for (int x = 0; x < size; x++) {
                boolean dark = modules.get(x / PNG_PIXELS_PER_MODULE, y / PNG_PIXELS_PER_MODULE);
                image.setRGB(x, y, dark ? BLACK : WHITE);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException impossible) {
            throw new UncheckedIOException("Writing to memory", impossible);
        }
        return out.toByteArray();
    }
}
