/** What children answer, and what their teachers see of it. */
package prolalia.app.response;
