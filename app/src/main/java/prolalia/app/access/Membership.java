package prolalia.app.access;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import prolalia.app.account.Role;

/** How a teacher stands to a lesson. */
public enum Membership {
    /** It is hers. */
    OWN(EnumSet.allOf(Right.class)),
    /** She works on it with the one whose it is. */
    EDIT(EnumSet.of(Right.READ, Right.RECORD, Right.PLACE, Right.EDIT)),
    /** She gives it as it is. */
    USE(EnumSet.of(Right.READ, Right.GIVE));

    private static final Set<Right> OF_AIDES = EnumSet.of(Right.READ, Right.RECORD, Right.PLACE);

    private final Set<Right> rights;

    Membership(Set<Right> rights) {
        this.rights = rights;
    }

    public String stored() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether somebody who stands so to a lesson may do something with it. */
    public boolean allows(Right right, Role role) {
        return rights.contains(right) && (role.teaches() || OF_AIDES.contains(right));
    }

    /** The stored names of all that have a right. */
    static List<String> with(Right right, Role role) {
        return Arrays.stream(values())
                .filter(each -> each.allows(right, role))
                .map(Membership::stored)
                .toList();
    }
}
