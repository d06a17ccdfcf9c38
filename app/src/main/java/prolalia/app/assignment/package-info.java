/** Lessons given to classes, groups and students, and what became of them there. */
package prolalia.app.assignment;
