/** A lesson as slides with its takes in them: PPTX (ISO/IEC 29500). */
package prolalia.formats.slides;
