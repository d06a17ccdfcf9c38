/** Questions as 1EdTech QTI 3.0 has them: read, marked by their own rules, and written. */
package prolalia.formats.qti;
