/**
 * What stands on a page, and how it is pressed and heard: things at their {@link prolalia.core.place.Area places}, free space on
 * its picture, and the marks that are put there.
 */
package prolalia.core.page;
