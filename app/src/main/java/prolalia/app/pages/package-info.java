/** The pages of a lesson: their order, pictures, and the files they were made of. */
package prolalia.app.pages;
