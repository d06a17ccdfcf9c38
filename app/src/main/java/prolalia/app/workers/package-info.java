/** Files from elsewhere (sound, papers, pictures) are opened here, each in a program of its own. */
package prolalia.app.workers;
