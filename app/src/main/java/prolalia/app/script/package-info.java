/** The script of a lesson: its page, typing and pasting lines, reshaping it, undoing that. */
package prolalia.app.script;
