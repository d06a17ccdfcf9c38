/** Lessons: pages in order, and on them the lines that can be said. */
package prolalia.core.lesson;
