/** Links: what leads to a lesson, a page or a line, for how long, and how often it was opened. */
package prolalia.app.link;
