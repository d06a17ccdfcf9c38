/** What the answers to something that was given tell: of its questions, of what was heard before, and who needs the same. */
package prolalia.app.insight;
