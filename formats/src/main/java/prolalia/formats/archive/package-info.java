/** Archives of lessons. */
package prolalia.formats.archive;
