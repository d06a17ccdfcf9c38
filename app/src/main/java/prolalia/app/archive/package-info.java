/** A whole lesson going out of the house as a file, and coming back. */
package prolalia.app.archive;
