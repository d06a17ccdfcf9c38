package prolalia.app.account;

/**
 * Somebody of the school.
 *
 * @param disabled whether she can't come in
 */
public record StaffMember(String id, String signInName, String fullName, Role role, boolean disabled) {}
