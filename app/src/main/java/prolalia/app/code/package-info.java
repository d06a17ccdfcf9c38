/** Scannable codes of a lesson: made, listed, withdrawn, printed on sheets and on the teacher's own papers, and tried. */
package prolalia.app.code;
