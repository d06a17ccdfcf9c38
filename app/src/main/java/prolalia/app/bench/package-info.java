/** The sound bench: a take is worked on; its original stays as it was recorded. */
package prolalia.app.bench;
