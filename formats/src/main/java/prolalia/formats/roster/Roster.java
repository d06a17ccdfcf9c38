package prolalia.formats.roster;

import java.util.List;
import java.util.Map;
import prolalia.core.classroom.RosterPlan;

/**
 * What a list of students says.
 *
 * @param byClass the students of each class, by its name; one without a name when there is no class in it
 * @param rows how many rows were read
 * @param charset in which it is written, as it was found out
 */
public record Roster(Map<String, List<RosterPlan.Row>> byClass, int rows, String charset) {}
