package prolalia.formats.code;

import static com.google.zxing.EncodeHintType.ERROR_CORRECTION;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.ReaderException;
import com.google.zxing.Result;
import com.google.zxing.ResultMetadataType;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.client.j2se.MatrixToImageWriter;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.decoder.Version;
import java.awt.geom.PathIterator;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.batik.parser.AWTPathProducer;
import org.junit.jupiter.api.Test;
import prolalia.core.code.CodeSymbol;
import prolalia.formats.code.CodeReader.Found;

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
    void aCodeThatSaysSomethingLikeACornerIsReadAllTheSame() throws Exception {
        String text = "HTTP://192.0.2.2:46323/C/BDLYBT7HSE";
        BufferedImage png =
                ImageIO.read(new ByteArrayInputStream(CodeImage.of(text).png()));
        assertThat(scan(png).getText()).as("ours, by a simple reader").isEqualTo(text);
        BufferedImage others = MatrixToImageWriter.toBufferedImage(
                new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 280, 280, Map.of(ERROR_CORRECTION, "M")));
        assertThatThrownBy(() -> scan(others)).isInstanceOf(ReaderException.class);
        assertThat(CodeReader.read(others)).extracting(Found::text).containsExactly(text);
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
        pen.scale(8, 8);
        // By either rule of filling.
        pen.fill(AWTPathProducer.createShape(new StringReader(code.path()), PathIterator.WIND_NON_ZERO));
        assertThat(code.svg()).contains(code.path());
        assertThat(scan(drawn).getText()).isEqualTo(LINK);
    }

    @Test
    void sizesAreThoseOfTheStandard() throws Exception {
        for (int version = 1; version <= 40; version++) {
            Version known = Version.getVersionForNumber(version);
            for (CodeSymbol.Level level : CodeSymbol.Level.values()) {
                int corrected = known.getECBlocksForLevel(ErrorCorrectionLevel.valueOf(level.name()))
                        .getTotalECCodewords();
                assertThat(level.dataCodewords(version)).isEqualTo(known.getTotalCodewords() - corrected);
            }
        }
        for (String text : List.of("HTTP://10.0.0.7:8080/C/ABCDEFGHJK", LINK, "שלום", "A".repeat(900))) {
            BufferedImage png =
                    ImageIO.read(new ByteArrayInputStream(CodeImage.of(text).png()));
            assertThat(scan(png).getText()).isEqualTo(text);
        }
        assertThat(CodeSymbol.of("HTTP://10.0.0.7:8080/C/ABCDEFGHJK").version()).isEqualTo(2);
    }
}
