package prolalia.app.lesson;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** How a teacher stands to a lesson. */
public enum Membership {
    /** It is hers. */
    OWN(EnumSet.allOf(Right.class)),
    /** She works on it with the one whose it is. */
    EDIT(EnumSet.of(Right.READ, Right.RECORD, Right.EDIT)),
    /** She gives it out as it is. */
    USE(EnumSet.of(Right.READ, Right.GIVE_OUT));

    private final Set<Right> rights;

    Membership(Set<Right> rights) {
        this.rights = rights;
    }

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The stored names of all that have a right. */
    static List<String> with(Right right) {
        return Arrays.stream(values())
                .filter(each -> each.rights.contains(right))
                .map(Membership::stored)
                .toList();
    }
}
