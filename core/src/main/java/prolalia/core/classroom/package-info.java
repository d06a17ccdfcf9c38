/** Classes and students: who they are to each other, how a child comes in, and what each child hears. */
package prolalia.core.classroom;
