/** XML as it is written. */
package prolalia.formats.xml;
