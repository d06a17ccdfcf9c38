/**
 * The program of its own in which files of sound are opened: what is asked of it ({@link prolalia.media.process.SoundRequest}),
 * what it answers, and the program itself. Whoever starts it bounds its time and memory, and a file that ends it ends nothing
 * else.
 */
package prolalia.media.process;
