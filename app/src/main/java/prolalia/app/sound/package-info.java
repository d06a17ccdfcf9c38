/**
 * Recordings and takes on the server: chunks as they come in, the media store, what was made of them, and how sound is
 * served.
 */
package prolalia.app.sound;
