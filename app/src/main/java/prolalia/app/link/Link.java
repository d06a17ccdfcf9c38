package prolalia.app.link;

import java.util.Locale;
import java.util.Objects;
import prolalia.core.code.SchoolHours;

/**
 * What leads to a lesson, to one page of it, or to one line.
 *
 * @param token that its address ends with
 * @param pageId null: to all pages
 * @param lineId null: to all lines
 * @param typed what is typed in the place of its code; null: nothing
 * @param endsAt in ms since 1970; null: it doesn't end by itself
 * @param hours in which it opens; null: always
 * @param withdrawn whether somebody took it back
 * @param printedBase the address of the school with which it was printed last; null: it wasn't
 */
public record Link(
        String token,
        LinkPurpose purpose,
        String lessonId,
        String pageId,
        String lineId,
        String typed,
        Long endsAt,
        SchoolHours hours,
        boolean withdrawn,
        String printedBase) {
    /** What is after the address of the school. */
    public String path() {
        return purpose.isCode() ? "/c/" + token : "/l/" + token;
    }

    /**
     * Its address as it is printed: of a code in capitals, which take fewer modules (ISO/IEC 18004, alphanumeric mode). Names of
     * hosts and schemes are the same in both (RFC 3986, 6.2.2.1); the server takes both for codes. Behind a path it stays as it is.
     */
    public String address(String base) {
        String address = base + path();
        boolean hasPath = base.indexOf('/', base.indexOf("//") + 2) >= 0;
        return !purpose.isCode() || hasPath ? address : address.toUpperCase(Locale.ROOT);
    }

    /** @param now in ms since 1970 */
    public boolean hasEnded(long now) {
        return endsAt != null && endsAt <= now;
    }

    /** Whether it leads somewhere, at the time at which it opens. */
    public boolean holds(long now) {
        return !withdrawn && !hasEnded(now);
    }

    boolean isTo(String page, String line) {
        return Objects.equals(pageId, page) && Objects.equals(lineId, line);
    }
}
