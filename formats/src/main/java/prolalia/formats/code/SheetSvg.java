package prolalia.formats.code;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;
import prolalia.core.code.CodeCard.Box;
import prolalia.core.code.SheetPaper;
import prolalia.formats.code.CodeSheet.CodeMark;
import prolalia.formats.code.CodeSheet.LineMark;
import prolalia.formats.code.CodeSheet.Mark;
import prolalia.formats.code.CodeSheet.PictureMark;
import prolalia.formats.code.CodeSheet.TextMark;
import prolalia.formats.code.CodeSheet.Turn;

/** A sheet as SVG, true to size, as {@link SheetPdf} prints it: letters are outlines, so that they look the same. Stateless. */
public final class SheetSvg {
    private static final double MM_PER_POINT = 25.4 / 72;

    private SheetSvg() {}

    /** @param number of the sheet, from 0 */
    public static String of(CodeSheet sheet, int number) {
        SheetPaper paper = sheet.grid().paper();
        StringBuilder svg = new StringBuilder(String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %1$s %2$s\" width=\"%1$smm\" height=\"%2$smm\">"
                        + "<rect width=\"100%%\" height=\"100%%\" fill=\"#fff\"/>",
                paper.widthMm(),
                paper.heightMm()));
        List<Mark> marks = sheet.sheets().get(number);
        for (Mark mark : marks) {
            draw(svg, mark);
        }
        return svg.append("</svg>").toString();
    }

    private static void draw(StringBuilder svg, Mark mark) {
        if (mark instanceof CodeMark code) {
            double module = code.at().w() / code.code().sizeModules();
            svg.append(String.format(
                    Locale.ROOT,
                    "<path transform=\"translate(%.3f %.3f) scale(%.5f)\" fill-rule=\"evenodd\" d=\"%s\"/>",
                    code.at().x(),
                    code.at().y(),
                    module,
                    code.code().path()));
        } else if (mark instanceof TextMark text) {
            svg.append(String.format(
                    Locale.ROOT,
                    "<path transform=\"%stranslate(%.3f %.3f) scale(%.5f)\" d=\"%s\"/>",
                    turn(text.turned()),
                    text.x(),
                    text.baseline(),
                    MM_PER_POINT,
                    path(SheetText.outline(text.words(), text.bold(), text.sizePt()))));
        } else if (mark instanceof PictureMark picture) {
            Box at = picture.at();
            svg.append(String.format(
                    Locale.ROOT,
                    "<image transform=\"%s\" x=\"%.3f\" y=\"%.3f\" width=\"%.3f\" height=\"%.3f\""
                            + " preserveAspectRatio=\"xMinYMin meet\" href=\"data:image/png;base64,%s\"/>",
                    turn(picture.turned()),
                    at.x(),
                    at.y(),
                    at.w(),
                    at.h(),
                    png(picture.picture())));
        } else if (mark instanceof LineMark line) {
            svg.append(String.format(
                    Locale.ROOT,
                    "<path d=\"M%.3f %.3fL%.3f %.3f\" stroke=\"#9e9e9e\" stroke-width=\".18\" stroke-dasharray=\"1 1.4\"/>",
                    line.fromX(),
                    line.fromY(),
                    line.toX(),
                    line.toY()));
        }
    }

    private static String turn(Turn turn) {
        return turn == null ? "" : String.format(Locale.ROOT, "rotate(180 %.3f %.3f) ", turn.x(), turn.y());
    }

    private static String png(BufferedImage picture) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture, "png", out);
        } catch (IOException impossible) {
            throw new UncheckedIOException("Writing to memory", impossible);
        }
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private static String path(Shape letters) {
        StringBuilder path = new StringBuilder();
        float[] at = new float[6];
        for (PathIterator each = letters.getPathIterator(new AffineTransform()); !each.isDone(); each.next()) {
            switch (each.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> points(path.append('M'), at, 2);
                case PathIterator.SEG_LINETO -> points(path.append('L'), at, 2);
                case PathIterator.SEG_QUADTO -> points(path.append('Q'), at, 4);
                case PathIterator.SEG_CUBICTO -> points(path.append('C'), at, 6);
                default -> path.append('Z');
            }
        }
        return path.toString();
    }

    private static void points(StringBuilder path, float[] at, int count) {
        for (int i = 0; i < count; i++) {
            path.append(i == 0 ? "" : " ").append(Math.round(at[i] * 100) / 100.0);
        }
    }
}
