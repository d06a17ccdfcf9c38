/**
 * A lesson as web pages: each as the application's students meet it, and all of them in a folder that needs no server. The
 * page itself is templates/player/page.html; its scripts and styles are in static/assets/player.
 */
package prolalia.formats.web;
