package prolalia.formats.lesson;

/** How the names of picture files end, by their media types. */
public final class PictureEnding {
    private PictureEnding() {}

    public static String of(String mediaType) {
        return switch (mediaType) {
            case "image/png" -> ".png";
            case "image/jpeg" -> ".jpg";
            case "image/gif" -> ".gif";
            case "image/webp" -> ".webp";
            case "image/svg+xml" -> ".svg";
            default -> ".bin";
        };
    }
}
