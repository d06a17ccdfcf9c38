package prolalia.formats.roster;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import prolalia.formats.process.Parent;
import prolalia.formats.roster.RosterException.Fault;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that reads a list of students that somebody sent: {@code RosterProcess FILE ANSWER}. It says {@code done} on
 * its standard output when ANSWER ({@link Roster} as JSON) is written, or {@code refused FAULT}, and ends when its standard input
 * does.
 */
public final class RosterProcess {
    private static final JsonMapper JSON = new JsonMapper();

    private RosterProcess() {}

    /** What such a program wrote. */
    public static Roster read(byte[] answer) {
        return JSON.readValue(answer, Roster.class);
    }

    public static void main(String[] arguments) {
        Parent parent = Parent.meet();
        try {
            Roster roster = RosterReader.read(Files.readAllBytes(Path.of(arguments[0])));
            Files.write(Path.of(arguments[1]), JSON.writeValueAsBytes(roster));
            parent.say("done");
        } catch (RosterException refused) {
            parent.say("refused " + refused.fault());
        } catch (StackOverflowError | OutOfMemoryError swollen) {
            parent.say("refused " + Fault.TOO_LARGE);
        } catch (IOException | RuntimeException broken) {
            broken.printStackTrace();
            parent.say("refused " + Fault.BROKEN);
        }
        System.exit(0);
    }
}
