package prolalia.formats.web;

/**
 * What a student's page has when a child came in through a class's door.
 *
 * @param home where there is to do what was given to her
 * @param heard where it is said that a line was heard, up to its id
 * @param who where it is asked who she is
 * @param idleMinutes after so long a pause she is asked whether it is still she
 * @param speedPercent how fast sounds begin to play
 * @param large whether words are larger
 * @param switches by how many buttons everything is done; 0: she points
 */
public record BehindDoor(
        String home, String heard, String who, int idleMinutes, int speedPercent, boolean large, int switches) {
    /** As somebody else looks at it: nothing is counted, nobody is asked who she is. */
    public BehindDoor lookedAtFrom(String back) {
        return new BehindDoor(back, null, null, 0, speedPercent, large, switches);
    }
}
