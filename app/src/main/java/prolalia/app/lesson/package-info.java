/** A lesson as a whole: its title and settings, its members, its copies. */
package prolalia.app.lesson;
