/** Archives: a whole lesson with its takes, that is brought back as it was (docs/archive.md); and its sound alone. */
package prolalia.formats.archive;
