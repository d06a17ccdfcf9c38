package prolalia.app.pages;

import java.util.Locale;

/**
 * The file that a page was made of.
 *
 * @param fileHash its name in the media store
 * @param number of the page within the file, from 1
 */
public record PageSource(String fileHash, Type type, int number) {
    /** What a file of pages is. */
    public enum Type {
        SLIDES,
        PDF,
        PICTURE;

        /** By the name of a file that was brought in. */
        public static Type of(String fileName) {
            String name = fileName.toLowerCase(Locale.ROOT);
            return name.endsWith(".pptx") ? SLIDES : name.endsWith(".pdf") ? PDF : PICTURE;
        }

        String stored() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
