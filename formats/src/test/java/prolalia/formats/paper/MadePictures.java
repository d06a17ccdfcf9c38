package prolalia.formats.paper;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Base64;
import javax.imageio.ImageIO;

/** Pictures as cameras and the web have them. */
final class MadePictures {
    private MadePictures() {}

    /** A JPEG whose upper left is red, and whose Exif says how the camera was held. */
    static byte[] turnedJpeg(int width, int height, int orientation) throws IOException {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = picture.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.setColor(Color.RED);
        graphics.fillRect(0, 0, width / 3, height / 3);
        graphics.dispose();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpeg", jpeg);
        byte[] plain = jpeg.toByteArray();
        byte[] exif = {
            (byte) 0xff,
            (byte) 0xe1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte) orientation,
            0,
            0,
            0,
            0,
            0,
            0
        };
        ByteArrayOutputStream turned = new ByteArrayOutputStream();
        turned.write(plain, 0, 2);
        turned.write(exif);
        turned.write(plain, 2, plain.length - 2);
        return turned.toByteArray();
    }

    /** One point, without loss. */
    static byte[] webp() {
        return Base64.getDecoder().decode("UklGRhoAAABXRUJQVlA4TA0AAAAvAAAAEAcQERGIiP4HAA==");
    }
}
