/** Giving a lesson: its link, to be copied, shown and embedded. */
package prolalia.app.sharing;
