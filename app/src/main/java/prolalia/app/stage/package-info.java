/** The stage: a page with what is placed on it. */
package prolalia.app.stage;
