/** What the programs of their own that open files have in common. */
package prolalia.formats.process;
