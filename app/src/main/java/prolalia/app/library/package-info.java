/** All takes of a teacher and her standing lines, to be found by their words and used again. */
package prolalia.app.library;
