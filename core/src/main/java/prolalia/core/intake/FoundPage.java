package prolalia.core.intake;

import java.util.List;

/**
 * What was found on a page.
 *
 * @param lines in reading order; empty when the page has no text: a picture, or a scan
 */
public record FoundPage(List<FoundLine> lines) {}
