package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Work that goes on behind the teacher's back survives a server that dies: it is done at the next start. */
class RestartTest {
    private static final String[] VOICES = {"bean-1b", "bean-2a", "bean-2b", "bean-2c"};

    /** A child who answers again and again, until nobody hears her. */
    private static final class Answering implements Runnable {
        final List<String> acknowledged = Collections.synchronizedList(new ArrayList<>());
        final String assignment;
        final String student;
        final String question;
        private final Visitor child;

        Answering(Visitor ines) throws Exception {
            String id = Visitor.newClass(ines, "Knots");
            ines.form("/classes/" + id + "/students", "names", "Ada");
            student = Visitor.first(ines.page("/classes/" + id), "/students/([^\"]+)\"");
            question = ines.newLine("Why?");
            ines.putForm("/lines/" + question + "/question/kind", "by", "LONG_TEXT");
            String query = ines.form("/lessons/" + ines.lessonOf(question) + "/give", "to", id)
                    .uri()
                    .getQuery();
            assignment = Visitor.first(query, "given=([^&]+)");
            child = Visitor.child(ines, id, student);
        }

        @Override
        public void run() {
            try {
                for (int i = 0; ; i++) {
                    String words = "answer " + i + ".";
                    String at = "/my/" + assignment + "/answers/" + question + "/" + UUID.randomUUID();
                    byte[] body = ("{\"typed\":\"" + words + "\"}").getBytes();
                    if (child.send("PUT", at, "application/json", body).statusCode() == 200) {
                        acknowledged.add(words);
                    }
                }
            } catch (Exception killed) {
                // Nobody hears her any more.
            }
        }
    }

    @TempDir
    Path data;

    private OwnServer server;

    @AfterEach
    void stop() throws Exception {
        server.close();
    }

    @Test
    void aLongRecordingIsListenedToAndItsLinesAreTakenAfterARestart() throws Exception {
        server = new OwnServer(DemoFolder.copyTo(data.resolve("school")), 512, true, "--prolalia.demo=true");
        server.start();
        Visitor ines = Visitor.ines(server.base());
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
        server.kill();
        server.start();
        await().atMost(Duration.ofSeconds(60)).until(() -> ines.page(at).contains("4 of 4 lines found"));

        StringBuilder wanted = new StringBuilder();
        Visitor.all(ines.page(at), "data-line=\"([^\"]+)\"")
                .forEach(line -> wanted.append(wanted.isEmpty() ? "" : "&")
                        .append("line=")
                        .append(line));
        ines.send(
                "POST",
                at + "/take",
                "application/x-www-form-urlencoded",
                wanted.toString().getBytes());
        Answering ada = new Answering(ines);
        Thread answering = new Thread(ada);
        answering.start();
        await().until(() -> ada.acknowledged.size() > 20);
        server.kill();
        answering.join();
        server.start();
        String answers = ines.page("/assignments/" + ada.assignment + "/answers/" + ada.student + "/" + ada.question);
        // Of what is typed on, the newest state holds: the last that was acknowledged, or the one that was under way.
        int last = ada.acknowledged.size() - 1;
        assertThat(answers)
                .as("what was said to be saved is there")
                .containsPattern(">answer (" + last + "|" + (last + 1) + ")\\.<");
        await().atMost(Duration.ofSeconds(60)).until(() -> ines.page(at).contains("4 taken"));
        String page = ines.page("/lessons/" + lesson);
        assertThat(page).contains("4 of 4 voiced");
        // Killed between a take and the note that it was made, a line may have it twice; none has it more often.
        for (String line : Visitor.all(page, "id=\"line-([^\"]+)\"")) {
            assertThat(ines.page("/lines/" + line + "/takes").split("Work on it", -1))
                    .hasSizeLessThanOrEqualTo(3);
        }
    }
}
