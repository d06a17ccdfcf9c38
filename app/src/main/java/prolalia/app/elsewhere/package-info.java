/**
 * Recordings made elsewhere, on a phone or a recorder: one long one that is split over the lines of a script, or many files
 * that are matched to lines. What is taken of them goes the way of every recording.
 */
package prolalia.app.elsewhere;
