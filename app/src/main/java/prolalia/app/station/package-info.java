/** Stations of a room, and the rotation of groups among them. */
package prolalia.app.station;
