/** The lesson as a student meets it, by its link alone. */
package prolalia.app.player;
