package prolalia.app.lesson;

import prolalia.app.access.Membership;

/** A teacher who belongs to a lesson. */
public record Member(String teacherId, String fullName, Membership membership) {}
