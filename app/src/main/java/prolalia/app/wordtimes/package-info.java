/** When the words of a take are said: they light up as a student hears them. */
package prolalia.app.wordtimes;
