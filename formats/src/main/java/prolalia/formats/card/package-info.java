/** Cards that children come in with, and the pictures on them. */
package prolalia.formats.card;
