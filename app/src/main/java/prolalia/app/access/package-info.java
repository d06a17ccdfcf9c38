/** Who may do what, and who is answered at all. */
package prolalia.app.access;
