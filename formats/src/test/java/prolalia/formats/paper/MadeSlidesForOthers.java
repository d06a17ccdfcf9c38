package prolalia.formats.paper;

import java.awt.Rectangle;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.poi.xslf.usermodel.XMLSlideShow;

/** Two slides that differ, for tests of what is made of slides. */
public final class MadeSlidesForOthers {
    private MadeSlidesForOthers() {}

    public static void write(Path file) throws IOException {
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream out = Files.newOutputStream(file)) {
            for (String words : new String[] {"First slide", "Second slide"}) {
                var box = show.createSlide().createTextBox();
                box.setAnchor(new Rectangle(40, 40, 500, 60));
                box.setText(words);
            }
            show.write(out);
        }
    }
}
