/** Classes: their students, groups and teachers, the door that children come in by, and what each child meets behind it. */
package prolalia.app.classroom;
