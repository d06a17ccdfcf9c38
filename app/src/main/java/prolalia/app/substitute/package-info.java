/** Somebody stands in: her way in to one class for some days, and what there is to do there today. */
package prolalia.app.substitute;
