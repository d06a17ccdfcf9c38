package prolalia.app.account;

/**
 * Somebody of the school.
 *
 * @param disabled whether she can't come in
 * @param endsAt until when a substitute may come in, in ms since 1970; null: she is no substitute
 */
public record StaffMember(String id, String signInName, String fullName, Role role, boolean disabled, Long endsAt) {
    public boolean mayComeIn(long now) {
        return !disabled && (endsAt == null || now < endsAt);
    }
}
