package prolalia.app.sharing;

import org.springframework.web.util.HtmlUtils;

/** A lesson within a page elsewhere. */
final class Embedding {
    static final int WIDTH = 960;
    static final int HEIGHT = 640;

    /** No forms, no downloads, no way to lead the page around it elsewhere; links of the lesson open in a new tab. */
    private static final String SANDBOX = "allow-scripts allow-same-origin allow-popups allow-popups-to-escape-sandbox";

    private Embedding() {}

    /**
     * The piece of HTML that shows a lesson.
     *
     * @param base address of this server, without a slash at the end
     */
    static String snippet(String base, String token, String title, int width, int height) {
        return "<iframe src=\"%s\" title=\"%s\" width=\"%d\" height=\"%d\" sandbox=\"%s\" allow=\"autoplay\" loading=\"lazy\"></iframe>"
                .formatted(
                        HtmlUtils.htmlEscape(base + "/e/" + token),
                        HtmlUtils.htmlEscape(title),
                        width,
                        height,
                        SANDBOX);
    }
}
