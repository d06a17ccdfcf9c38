/** What was done to a lesson, in order: its script, its pages and what is placed on them; taken back and made again. */
package prolalia.app.history;
