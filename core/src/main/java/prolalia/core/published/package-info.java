/**
 * A lesson as it is given to students: whole, for every format in which it goes out, and page by page, as they meet it.
 *
 * <pre>{@code
 * List<StudentPage> pages = StudentPages.of(lesson);
 * }</pre>
 */
package prolalia.core.published;
