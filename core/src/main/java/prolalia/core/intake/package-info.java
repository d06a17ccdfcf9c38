/**
 * Finds the lines of a page that was made elsewhere: from words and their places ({@link prolalia.core.intake.PageText}) to
 * proposed lines with a kind each ({@link prolalia.core.intake.FoundLine}), in reading order.
 *
 * <pre>{@code
 * List<FoundPage> found = LineFinder.find(pages);
 * }</pre>
 *
 * <p>All of it is values in, values out, and safe for use by many threads.
 */
package prolalia.core.intake;
