package prolalia.core.intake;

import prolalia.core.page.Area;

/**
 * A line found on a page.
 *
 * @param kind what it is taken for
 * @param text as it stands, in one row, with its number or letter
 * @param area where it stands
 */
public record FoundLine(FoundKind kind, String text, Area area) {}
