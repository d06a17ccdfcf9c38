package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.sound.FileTakes;
import prolalia.app.sound.Verdict;

/** The voices that ship with the demo, as takes of its lines. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoVoices {
    private final FileTakes takes;

    DemoVoices(FileTakes takes) {
        this.takes = takes;
    }

    /** @param voice the path of its file, without its ending */
    void keep(Teacher teacher, String line, String voice) throws IOException {
        String file = voice + ".ogg";
        try (InputStream content = new ClassPathResource("demo/" + file).getInputStream()) {
            Verdict verdict = takes.keep(teacher, line, file, null, content);
            if (!(verdict instanceof Verdict.Taken)) {
                throw new IllegalStateException("The demo's own voice was refused: " + file);
            }
        }
    }
}
