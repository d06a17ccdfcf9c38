package prolalia.app.platform;

/** What a page may load (W3C Content Security Policy Level 3): what ships, and no script, style or handler inside it. */
public final class ContentSecurityPolicy {
    public static final String NO_FRAME = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self'",
            "font-src 'self'",
            "img-src 'self' data: blob:",
            "media-src 'self' blob:",
            "connect-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-src 'self'",
            "frame-ancestors 'none'");

    /** The same for a page that another of our own pages may show in a frame. */
    public static final String IN_OUR_OWN_FRAME = NO_FRAME.replace("frame-ancestors 'none'", "frame-ancestors 'self'");

    /** The same for a student's page within a page elsewhere. */
    public static final String IN_ANY_FRAME = NO_FRAME.replace("frame-ancestors 'none'", "frame-ancestors *");

    /** The same where a page may ask whether the secure address of this server is there for it. */
    public static String andAsking(String policy, String secureAddress) {
        return policy.replace("connect-src 'self'", "connect-src 'self' " + secureAddress);
    }

    private ContentSecurityPolicy() {}
}
