/** A lesson as a read-aloud book: EPUB 3.3 with Media Overlays. */
package prolalia.formats.book;
