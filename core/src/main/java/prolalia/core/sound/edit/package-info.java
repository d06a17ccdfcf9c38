/**
 * Edits of a take: a list applied to an original that stays as it was recorded.
 *
 * <pre>{@code
 * EditPlan plan = EditPlan.of(original.durationMs(), trim, List.of(new Edit.Cut(new Span(800, 950))));
 * Sound edited = plan.applyTo(original);
 * }</pre>
 */
package prolalia.core.sound.edit;
