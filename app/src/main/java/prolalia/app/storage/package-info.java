/** What lies in the data folder: who uses which file, what goes when nobody does, and what {@code ./prolalia doctor} says of it. */
package prolalia.app.storage;
