package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.File;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.app.Prolalia;

/** Work that goes on behind the teacher's back survives a server that dies: it is done at the next start. */
class RestartTest {
    private static final String[] VOICES = {"bean-1b", "bean-2a", "bean-2b", "bean-2c"};

    @TempDir
    Path data;

    private Process server;
    private String base;

    private void start() throws Exception {
        int port = Integer.parseInt(base.substring(base.lastIndexOf(':') + 1));
        Path log = data.resolve("log-" + System.nanoTime());
        server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        Prolalia.class.getName(),
                        "--prolalia.demo=true",
                        "--prolalia.data=" + data.resolve("school"),
                        "--server.port=" + port,
                        "--server.address=127.0.0.1")
                .redirectErrorStream(true)
                .redirectOutput(new File(log.toString()))
                .start();
        await().atMost(Duration.ofSeconds(120))
                .until(() -> Files.readString(log).contains("Prolalia is ready"));
    }

    private void kill() throws Exception {
        server.destroyForcibly().waitFor();
    }

    @AfterEach
    void stop() throws Exception {
        kill();
    }

    private static List<String> all(String page, String pattern) {
        List<String> found = new ArrayList<>();
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        while (matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }

    @Test
    void aLongRecordingIsListenedToAndItsLinesAreTakenAfterARestart() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            base = "http://localhost:" + free.getLocalPort();
        }
        start();
        Visitor ines = Visitor.ines(base);
        String lesson = ines.lessonOf(ines.newLine(""));
        String script = """
                A bean sleeps in the dry soil until the rain comes.

                The bean drinks and drinks until its coat splits.

                Which part comes out of the seed first?

                the root
                """;
        ines.form("/lessons/" + lesson + "/paste", "text", script, "page", "1");
        String at = "/long-recordings/" + UUID.randomUUID();
        ines.send(
                "PUT",
                "/lessons/" + lesson + at + "?name=read.wav",
                "application/octet-stream",
                RunningHouse.readAloud(0.9, VOICES));
        // Acknowledged means on the disk: the server may die now.
        kill();
        start();
        await().atMost(Duration.ofSeconds(60)).until(() -> ines.page(at).contains("4 of 4 lines found"));

        StringBuilder wanted = new StringBuilder();
        all(ines.page(at), "data-line=\"([^\"]+)\"")
                .forEach(line -> wanted.append(wanted.isEmpty() ? "" : "&")
                        .append("line=")
                        .append(line));
        ines.send(
                "POST",
                at + "/take",
                "application/x-www-form-urlencoded",
                wanted.toString().getBytes());
        kill();
        start();
        await().atMost(Duration.ofSeconds(60)).until(() -> ines.page(at).contains("4 taken"));
        String page = ines.page("/lessons/" + lesson);
        assertThat(page).contains("4 of 4 voiced");
        // Killed between a take and the note that it was made, a line may have it twice; none has it more often.
        for (String line : all(page, "id=\"line-([^\"]+)\"")) {
            assertThat(ines.page("/lines/" + line + "/takes").split("Work on it", -1))
                    .hasSizeLessThanOrEqualTo(3);
        }
    }
}
