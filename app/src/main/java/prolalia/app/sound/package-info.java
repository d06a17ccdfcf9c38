/** Files of sound are opened here, each in a program of its own, and their outlines kept. */
package prolalia.app.sound;
