/** Scripts: all lines of a lesson in reading order, how much of them is voiced, and how long the rest takes to say. */
package prolalia.core.script;
