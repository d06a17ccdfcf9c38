/** Who is at which station when. */
package prolalia.core.station;
