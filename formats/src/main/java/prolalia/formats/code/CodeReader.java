package prolalia.formats.code;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.Binarizer;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.PlanarYUVLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.Result;
import com.google.zxing.ResultPoint;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.qrcode.QRCodeMultiReader;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.detector.FinderPattern;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import prolalia.core.code.CodeRegions;
import prolalia.core.place.Area;
import prolalia.formats.paper.Paper;

/**
 * Finds all codes in a picture, also turned ones: in the whole of it, and in its parts that are as dark as codes are ({@link
 * CodeRegions}), as they are and made larger. Stateless and thread-safe.
 */
public final class CodeReader {
    /** A sheet of A4 at 300 dots to the inch. */
    private static final int LONGEST_PX = 3_508;

    /** A larger part is looked at made smaller. */
    private static final int LONGEST_PART_PX = 1_600;

    private static final List<Double> SCALES = List.of(1.0, 2.0, 3.0);
    private static final int MOST_IN_PART = 40;

    /** From the middle of a finder to the edge of its code (ISO/IEC 18004: a finder is seven modules wide). */
    private static final double FINDER_IN_MODULES = 3.5;

    private static final List<Function<LuminanceSource, Binarizer>> BINARIZERS =
            List.of(HybridBinarizer::new, GlobalHistogramBinarizer::new);

    private static final Map<DecodeHintType, Object> HINTS = Map.of(
            DecodeHintType.TRY_HARDER, Boolean.TRUE, DecodeHintType.POSSIBLE_FORMATS, List.of(BarcodeFormat.QR_CODE));

    private CodeReader() {}

    /**
     * A code that was found.
     *
     * @param text what it says
     * @param area where it is without its quiet zone, about, in shares of the picture
     * @param moduleShare how wide a module is, about, by the width of the picture
     */
    public record Found(String text, Area area, double moduleShare) {}

    /** The codes of a page of a file that was opened. @param page from 0 */
    public static List<Found> read(Paper paper, int page) throws IOException {
        return read(paper.picture(page, LONGEST_PX));
    }

    /** @return from the top, from the left */
    public static List<Found> read(BufferedImage picture) {
        BufferedImage seen = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = seen.createGraphics();
        graphics.drawImage(picture, 0, 0, null);
        graphics.dispose();
        List<Found> found = new ArrayList<>();
        look(seen, new Rectangle(seen.getWidth(), seen.getHeight()), List.of(1.0), found);
        byte[] points = ((DataBufferByte) seen.getRaster().getDataBuffer()).getData();
        for (CodeRegions.Region region : CodeRegions.of(seen.getWidth(), seen.getHeight(), points)) {
            Rectangle part = new Rectangle(region.x(), region.y(), region.w(), region.h());
            int before = found.size();
            look(seen, part, SCALES, found);
            if (found.size() == before) {
                lookAtAllCorners(seen, part, found);
            }
        }
        found.sort(Comparator.comparingDouble((Found each) -> each.area().y())
                .thenComparingDouble(each -> each.area().x()));
        return found;
    }

    /** What is found is taken out of the picture, so that the next one is found. */
    private static void look(BufferedImage seen, Rectangle part, List<Double> scales, List<Found> found) {
        int longest = Math.max(part.width, part.height);
        for (double wanted : scales) {
            double scale = Math.min(wanted, (double) LONGEST_PART_PX / longest);
            if (wanted > 1 && scale < wanted) {
                return;
            }
            for (Function<LuminanceSource, Binarizer> binarizer : BINARIZERS) {
                for (int more = MOST_IN_PART; more > 0; more--) {
                    Found next = look(seen, part, scale, binarizer);
                    if (next == null) {
                        break;
                    }
                    found.add(next);
                    whiten(seen, next.area());
                }
            }
        }
    }

    /**
     * Where what a code says looks like one of its corners, the likeliest three are not its corners (about one code in 350): all
     * threes are tried. Slow, and therefore the last.
     */
    private static void lookAtAllCorners(BufferedImage seen, Rectangle part, List<Found> found) {
        double scale = Math.min(1, (double) LONGEST_PART_PX / Math.max(part.width, part.height));
        try {
            for (Result result : new QRCodeMultiReader()
                    .decodeMultiple(new BinaryBitmap(new HybridBinarizer(part(seen, part, scale))), HINTS)) {
                Found next = found(result, scale, part.x, part.y, seen);
                found.add(next);
                whiten(seen, next.area());
            }
        } catch (ReaderException none) {
            return;
        }
    }

    private static Found look(
            BufferedImage seen, Rectangle part, double scale, Function<LuminanceSource, Binarizer> binarizer) {
        try {
            LuminanceSource source = part(seen, part, scale);
            Result result = new QRCodeReader().decode(new BinaryBitmap(binarizer.apply(source)), HINTS);
            return found(result, scale, part.x, part.y, seen);
        } catch (ReaderException none) {
            return null;
        }
    }

    private static LuminanceSource part(BufferedImage seen, Rectangle of, double scale) {
        int width = Math.max(1, (int) Math.round(of.width * scale));
        int height = Math.max(1, (int) Math.round(of.height * scale));
        BufferedImage part = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = part.createGraphics();
        graphics.setRenderingHint(
                RenderingHints.KEY_INTERPOLATION,
                scale > 1 ? RenderingHints.VALUE_INTERPOLATION_BICUBIC : RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(seen, 0, 0, width, height, of.x, of.y, of.x + of.width, of.y + of.height, null);
        graphics.dispose();
        byte[] points = ((DataBufferByte) part.getRaster().getDataBuffer()).getData();
        return new PlanarYUVLuminanceSource(points, width, height, 0, 0, width, height, false);
    }

    private static void whiten(BufferedImage seen, Area area) {
        Graphics2D graphics = seen.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(
                (int) (area.x() * seen.getWidth()),
                (int) (area.y() * seen.getHeight()),
                (int) Math.ceil(area.w() * seen.getWidth()),
                (int) Math.ceil(area.h() * seen.getHeight()));
        graphics.dispose();
    }

    private static Found found(Result result, double scale, int x, int y, BufferedImage picture) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = 0;
        double bottom = 0;
        double module = 0;
        for (ResultPoint point : result.getResultPoints()) {
            left = Math.min(left, point.getX() / scale + x);
            right = Math.max(right, point.getX() / scale + x);
            top = Math.min(top, point.getY() / scale + y);
            bottom = Math.max(bottom, point.getY() / scale + y);
            if (point instanceof FinderPattern finder) {
                module = Math.max(module, finder.getEstimatedModuleSize() / scale);
            }
        }
        double more = FINDER_IN_MODULES * module;
        Area area = Area.between(
                Math.max(0, (left - more) / picture.getWidth()),
                Math.max(0, (top - more) / picture.getHeight()),
                Math.min(1, (right + more) / picture.getWidth()),
                Math.min(1, (bottom + more) / picture.getHeight()));
        return new Found(result.getText(), area, module / picture.getWidth());
    }
}
