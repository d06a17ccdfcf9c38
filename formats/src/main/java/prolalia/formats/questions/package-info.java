/** Questions from tables and texts. */
package prolalia.formats.questions;
