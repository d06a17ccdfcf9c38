/** Who may do what with which lesson, and who is answered at all. */
package prolalia.app.access;
