/** Slides, papers and pictures that a teacher brings in: read by a process of its own, looked over, and taken as pages. */
package prolalia.app.intake;
