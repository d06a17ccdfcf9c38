/**
 * Which stretch of a recording belongs to which words.
 *
 * <pre>{@code
 * ScriptSplit split = ScriptSplit.of(pieces, List.of("Look at the picture.", "the root"));
 * split.lines().get(0).span();
 * }</pre>
 */
package prolalia.core.align;
