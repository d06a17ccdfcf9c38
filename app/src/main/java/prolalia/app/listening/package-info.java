/** The listening desk: what children answered is heard one after the other, marked, and spoken back to. */
package prolalia.app.listening;
