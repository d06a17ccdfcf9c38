/**
 * Files of sound to samples and back, by FFmpeg.
 *
 * <p>Files may come from anywhere, so FFmpeg may only open the containers that hold sound or video, and only files: a
 * playlist that names other files or addresses isn't followed.
 */
package prolalia.media;
