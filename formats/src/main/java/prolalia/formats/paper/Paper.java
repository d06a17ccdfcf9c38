package prolalia.formats.paper;

import java.awt.image.BufferedImage;
import java.io.Closeable;
import java.io.IOException;
import java.util.List;
import prolalia.core.intake.FoundPage;

/** An opened file that has pages. Pages count from 0. */
public interface Paper extends Closeable {
    int pages();

    /** How large a page is: in points (1/72 inch) where it is printed, in pixels where it is a picture. */
    PageSize size(int page);

    record PageSize(int width, int height) {}

    /** The lines of all pages. */
    List<FoundPage> lines() throws IOException;

    /**
     * A page as it looks.
     *
     * @param longestPx how many pixels its longer side has
     */
    BufferedImage picture(int page, int longestPx) throws IOException;

    /** Whether whoever made it hid a page: it is there, but isn't shown. */
    default boolean isHidden(int page) {
        return false;
    }

    /** What else stands on a page. */
    default PageParts parts(int page) throws IOException {
        return PageParts.NONE;
    }
}
