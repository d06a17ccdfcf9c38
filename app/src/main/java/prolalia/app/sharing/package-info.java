/** Giving a lesson out: its link, and the code that leads to it. */
package prolalia.app.sharing;
