package prolalia.formats.web;

/**
 * What a page elsewhere is told of a lesson whose link is pasted into it (Open Graph protocol; oEmbed 1.0, section 4).
 *
 * @param address of the lesson, absolute
 * @param picture absolute; null when there is none
 * @param oembed where it is told how to show it, absolute
 */
public record Sharing(String address, String picture, String oembed) {}
