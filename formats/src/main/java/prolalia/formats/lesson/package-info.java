/** What every format in which a lesson goes out needs of it beside core's types: its files. */
package prolalia.formats.lesson;
