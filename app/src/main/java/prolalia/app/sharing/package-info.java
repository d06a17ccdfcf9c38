/** Giving a lesson: its link, and the code that leads to it. */
package prolalia.app.sharing;
