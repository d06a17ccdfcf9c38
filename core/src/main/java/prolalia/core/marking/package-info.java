/**
 * Questions with the lines that belong to them, and what answers are worth.
 *
 * <pre>{@code
 * for (Asked asked : Asked.on(lines)) {
 *     Mark mark = Marking.of(asked, given);
 * }
 * }</pre>
 *
 * <p>Everything here is immutable or stateless, so any thread may use it.
 */
package prolalia.core.marking;
