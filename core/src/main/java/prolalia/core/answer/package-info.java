/**
 * What makes a line a question or a choice, and what was answered. Values only: what an answer is worth is told in
 * {@code core.marking}.
 */
package prolalia.core.answer;
