package prolalia.app.classroom;

import java.util.Set;

/**
 * A part of a class.
 *
 * @param studentIds of those who are in it, in the order of the class
 */
public record Group(String id, String name, Set<String> studentIds) {}
