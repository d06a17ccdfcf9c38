/** Opening files that came from elsewhere, each in a program of its own. */
package prolalia.app.papers;
