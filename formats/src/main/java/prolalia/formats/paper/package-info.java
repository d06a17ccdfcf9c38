/**
 * Papers that teachers have already: PDF, slides, pictures. A {@link prolalia.formats.paper.Paper} has pages; of each a
 * picture, its lines, and what else stands on it.
 *
 * <pre>{@code
 * try (Paper paper = Papers.open(file)) {
 *     List<FoundPage> lines = paper.lines();
 *     BufferedImage first = paper.picture(0, 1600);
 * }
 * }</pre>
 *
 * <p>Files come from anywhere. Opening and drawing them can need much time and memory, so the application has it done by a
 * process of its own ({@link prolalia.formats.paper.PaperProcess}) that can be stopped. A paper belongs to one thread.
 */
package prolalia.formats.paper;
