/**
 * Scannable codes (QR codes, ISO/IEC 18004): how large they are, how large they must be printed, where on a sheet or on a page
 * they stand, and the words that are typed in their place.
 */
package prolalia.core.code;
