/** Rubrics of teachers, and the levels that answers were given by them. */
package prolalia.app.rubric;
