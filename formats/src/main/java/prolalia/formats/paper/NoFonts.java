package prolalia.formats.paper;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * On a machine that has no font at all Java draws no letter, not even with a font that it is given ("No physical fonts found").
 * There it is shown those that come with the application.
 */
final class NoFonts {
    /** Where Java looks for fonts, beside what the machine tells it. */
    static final String FONT_PATH = "sun.java2d.fontpath";

    private static final List<Path> WHERE_FONTS_ARE = List.of(
            Path.of("/usr/share/fonts"),
            Path.of("/usr/local/share/fonts"),
            Path.of(System.getProperty("user.home", "/"), ".fonts"),
            Path.of(System.getProperty("user.home", "/"), ".local/share/fonts"));
    private static final int DEPTH = 6;

    private NoFonts() {}

    /** Before anything is drawn; does nothing where there are fonts, or where it isn't Linux, which always has some. */
    static void standIn() {
        if (System.getProperty("os.name", "").equals("Linux")) {
            standIn(WHERE_FONTS_ARE);
        }
    }

    /** @param places where the fonts of a machine are, if it has some */
    static void standIn(List<Path> places) {
        if (System.getProperty(FONT_PATH) != null || places.stream().anyMatch(NoFonts::hasFonts)) {
            return;
        }
        try {
            Path folder = Files.createTempDirectory("fonts");
            folder.toFile().deleteOnExit();
            for (String face : Fonts.FACES) {
                Path copy = folder.resolve(face + ".ttf");
                try (InputStream font = Fonts.file("LiberationSans-" + face)) {
                    Files.copy(font, copy);
                }
                copy.toFile().deleteOnExit();
            }
            System.setProperty(FONT_PATH, folder.toString());
        } catch (IOException full) {
            throw new UncheckedIOException(full);
        }
    }

    private static boolean hasFonts(Path folder) {
        if (!Files.isDirectory(folder)) {
            return false;
        }
        try (Stream<Path> files = Files.walk(folder, DEPTH)) {
            return files.anyMatch(
                    file -> file.toString().toLowerCase(Locale.ROOT).matches(".*\\.(ttf|otf|ttc|pfb)"));
        } catch (IOException | UncheckedIOException unreadable) {
            return false;
        }
    }
}
