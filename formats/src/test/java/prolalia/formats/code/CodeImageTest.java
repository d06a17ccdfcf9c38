package prolalia.formats.code;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.Result;
import com.google.zxing.ResultMetadataType;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class CodeImageTest {
    private static final String LINK = "https://lessons.tern-lane.example/l/yDN-0Sa-GGZB4xzNRgoCP_u4";

    private static Result scan(BufferedImage image) throws Exception {
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(image))));
    }

    @Test
    void thePngIsScannedWithCorrectionMAndFourQuietModules() throws Exception {
        CodeImage code = CodeImage.of(LINK);
        BufferedImage png = ImageIO.read(new ByteArrayInputStream(code.png()));
        Result result = scan(png);
        assertThat(result.getText()).isEqualTo(LINK);
        assertThat(result.getResultMetadata().get(ResultMetadataType.ERROR_CORRECTION_LEVEL))
                .hasToString("M");
        int module = png.getWidth() / code.sizeModules();
        for (int i = 0; i < png.getWidth(); i++) {
            assertThat(png.getRGB(i, 4 * module - 1) & 0xff).isEqualTo(0xff);
            assertThat(png.getRGB(4 * module - 1, i) & 0xff).isEqualTo(0xff);
        }
        assertThat(png.getRGB(4 * module, 4 * module) & 0xff).isZero();
    }

    @Test
    void theSvgDrawsTheSameModules() throws Exception {
        CodeImage code = CodeImage.of(LINK);
        BufferedImage drawn =
                new BufferedImage(code.sizeModules() * 8, code.sizeModules() * 8, BufferedImage.TYPE_BYTE_GRAY);
        var pen = drawn.createGraphics();
        pen.setColor(java.awt.Color.WHITE);
        pen.fillRect(0, 0, drawn.getWidth(), drawn.getHeight());
        pen.setColor(java.awt.Color.BLACK);
        Matcher runs = Pattern.compile("M(\\d+) (\\d+)h(\\d+)v1h-\\d+z").matcher(code.svg());
        while (runs.find()) {
            pen.fillRect(
                    8 * Integer.parseInt(runs.group(1)),
                    8 * Integer.parseInt(runs.group(2)),
                    8 * Integer.parseInt(runs.group(3)),
                    8);
        }
        assertThat(scan(drawn).getText()).isEqualTo(LINK);
    }
}
