/**
 * Where something stands on a page: {@link prolalia.core.place.Area places} as shares of it, the ink of its picture, and where
 * the words of a line are.
 */
package prolalia.core.place;
