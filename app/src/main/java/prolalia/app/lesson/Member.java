package prolalia.app.lesson;

/** A teacher who belongs to a lesson. */
public record Member(String teacherId, String fullName, Membership membership) {}
