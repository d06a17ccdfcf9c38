package prolalia.formats.questions;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import prolalia.core.script.ReadForm;
import prolalia.formats.process.Parent;
import prolalia.formats.qti.QtiRefusedException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that reads questions out of a file that somebody sent: {@code QuestionsProcess FILE ANSWER NAME}. It says
 * {@code done} on its standard output when ANSWER ({@link ReadForm} as JSON) is written, or {@code refused REASON} (of {@link
 * QtiRefusedException}, or {@link #NO_TABLE}), and ends when its standard input does.
 */
public final class QuestionsProcess {
    /** It can't be read as a table. */
    public static final String NO_TABLE = "NOT_TABLE";

    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private QuestionsProcess() {}

    /** What such a program wrote. */
    public static ReadForm read(byte[] answer) {
        return JSON.readValue(answer, ReadForm.class);
    }

    static byte[] written(ReadForm form) {
        return JSON.writeValueAsBytes(form);
    }

    public static void main(String[] arguments) {
        Parent parent = Parent.meet();
        try {
            ReadForm form = QuestionFile.read(Files.readAllBytes(Path.of(arguments[0])), arguments[2]);
            Files.write(Path.of(arguments[1]), written(form));
            parent.say("done");
        } catch (QtiRefusedException refused) {
            parent.say("refused " + refused.reason());
        } catch (StackOverflowError | OutOfMemoryError swollen) {
            parent.say("refused " + QtiRefusedException.Reason.TOO_LARGE);
        } catch (IOException | RuntimeException broken) {
            broken.printStackTrace();
            parent.say("refused " + NO_TABLE);
        }
        System.exit(0);
    }
}
