package prolalia.app.substitute;

/**
 * Somebody who stands in for a class.
 *
 * @param teacherId as whom she is known
 * @param note what whoever asked her tells her; empty: nothing
 * @param madeBy the teacher who asked her
 */
record Substitute(String teacherId, String classId, String note, String madeBy) {}
