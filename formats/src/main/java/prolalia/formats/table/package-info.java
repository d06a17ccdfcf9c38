/** Tables of text. */
package prolalia.formats.table;
