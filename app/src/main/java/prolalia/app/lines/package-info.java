/** The lines of a lesson: its script, as it is written and as it is heard. */
package prolalia.app.lines;
