package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.spoken.FileTakes;
import prolalia.app.spoken.Verdict;

/** The voices that ship with the demo, as takes of its lines; some at a time, as each is looked at for a while. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoVoices implements DisposableBean {
    private static final int AT_A_TIME = 2;

    private final FileTakes takes;
    private final ExecutorService some = Executors.newFixedThreadPool(AT_A_TIME);
    private final List<CompletableFuture<Void>> begun = new ArrayList<>();

    DemoVoices(FileTakes takes) {
        this.takes = takes;
    }

    /** Soon; {@link #finish} waits for it. @param voice the path of its file, without its ending */
    void keep(Teacher teacher, String line, String voice) {
        begun.add(CompletableFuture.runAsync(() -> keepNow(teacher, line, voice + ".ogg"), some));
    }

    /** All voices are takes now. */
    void finish() {
        begun.forEach(CompletableFuture::join);
        begun.clear();
    }

    private void keepNow(Teacher teacher, String line, String file) {
        try (InputStream content = new ClassPathResource("demo/" + file).getInputStream()) {
            Verdict verdict = takes.keep(teacher, line, file, null, content);
            if (!(verdict instanceof Verdict.Taken)) {
                throw new IllegalStateException("The demo's own voice was refused: " + file);
            }
        } catch (IOException failed) {
            throw new IllegalStateException("The demo's own voice could not be read: " + file, failed);
        }
    }

    @Override
    public void destroy() {
        some.shutdownNow();
    }
}
