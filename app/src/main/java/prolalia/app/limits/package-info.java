/** How much of a body is taken, from whom, how fast, and from how many at once. */
package prolalia.app.limits;
