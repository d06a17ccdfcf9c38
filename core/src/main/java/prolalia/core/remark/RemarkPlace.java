package prolalia.core.remark;

import prolalia.core.place.Area;

/**
 * Where in an answer a remark belongs: of these exactly one is there, or none where it is to the whole answer.
 *
 * @param passage of written work
 * @param area on a drawing or a picture, in shares of its width and height; a point has no width and height
 * @param recording id of what was said, with {@code atMs}
 * @param atMs a time in it
 */
public record RemarkPlace(Passage passage, Area area, String recording, Long atMs) {
    public static final RemarkPlace WHOLE = new RemarkPlace(null, null, null, null);

    /** @throws IllegalArgumentException if there is more than one of them */
    public RemarkPlace {
        int count = (passage == null ? 0 : 1) + (area == null ? 0 : 1) + (recording == null ? 0 : 1);
        if (count > 1 || recording != null != (atMs != null) || atMs != null && atMs < 0) {
            throw new IllegalArgumentException("one place at a time");
        }
    }

    public boolean isWhole() {
        return passage == null && area == null && recording == null;
    }
}
