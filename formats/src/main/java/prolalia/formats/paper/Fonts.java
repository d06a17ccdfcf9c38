package prolalia.formats.paper;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.GraphicsEnvironment;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The fonts that come with the application, and which fonts of slides they stand for. */
public final class Fonts {
    static final List<String> FACES = List.of("Regular", "Bold", "Italic", "BoldItalic");
    private static final List<String> FAMILIES =
            List.of("Carlito", "Caladea", "LiberationSans", "LiberationSerif", "LiberationMono");

    /** Those on the left are as wide as those on the right; of the others, the nearest in manner. */
    private static final Map<String, String> STAND_INS = Map.ofEntries(
            Map.entry("Calibri", "Carlito"),
            Map.entry("Calibri Light", "Carlito"),
            Map.entry("Aptos", "Carlito"),
            Map.entry("Cambria", "Caladea"),
            Map.entry("Arial", "Liberation Sans"),
            Map.entry("Helvetica", "Liberation Sans"),
            Map.entry("Times New Roman", "Liberation Serif"),
            Map.entry("Times", "Liberation Serif"),
            Map.entry("Georgia", "Caladea"),
            Map.entry("Courier New", "Liberation Mono"),
            Map.entry("Courier", "Liberation Mono"));

    private static final String ANY_OTHER = "Liberation Sans";

    private static final Set<String> HERE;

    static {
        NoFonts.standIn();
        GraphicsEnvironment here = GraphicsEnvironment.getLocalGraphicsEnvironment();
        for (String family : FAMILIES) {
            for (String face : FACES) {
                String file = "fonts/" + family + "-" + face + ".ttf";
                try (InputStream font = Fonts.class.getResourceAsStream(file)) {
                    here.registerFont(Font.createFont(Font.TRUETYPE_FONT, font));
                } catch (IOException | FontFormatException missing) {
                    throw new IllegalStateException("The font " + file + " does not come with this build", missing);
                }
            }
        }
        HERE = Set.of(here.getAvailableFontFamilyNames());
    }

    private Fonts() {}

    /** The font of this machine, or of those that came along, for words in whatever script. */
    public static Font anyScript(int style) {
        return new Font(Font.SANS_SERIF, style, 1);
    }

    /** The file of a face that comes with the application, as "LiberationSans-Bold" (TrueType). */
    public static InputStream file(String face) {
        return Fonts.class.getResourceAsStream("fonts/" + face + ".ttf");
    }

    /** The font to draw with where a file asks for one: itself if this machine has it, else one as wide. */
    public static String standIn(String asked) {
        return asked != null && HERE.contains(asked)
                ? asked
                : STAND_INS.getOrDefault(asked == null ? "" : asked, ANY_OTHER);
    }
}
