/**
 * What stands on a page, and where: {@link prolalia.core.page.Area places} as shares of the page, free space on its picture,
 * and the marks that are put there.
 */
package prolalia.core.page;
