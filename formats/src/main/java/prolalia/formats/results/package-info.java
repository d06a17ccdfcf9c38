/** Tables of what children answered, for spreadsheets. */
package prolalia.formats.results;
