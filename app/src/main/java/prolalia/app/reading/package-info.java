/** Reading lines aloud: the recorder of one line. */
package prolalia.app.reading;
