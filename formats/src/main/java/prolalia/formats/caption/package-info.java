/** Captions: words with the time at which they are said. */
package prolalia.formats.caption;
