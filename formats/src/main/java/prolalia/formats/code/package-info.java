/** Scannable codes as images. */
package prolalia.formats.code;
