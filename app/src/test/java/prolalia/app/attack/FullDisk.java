package prolalia.app.attack;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import prolalia.app.web.Visitor;

/** A disk that fills up: students listen, teachers read and are told, nothing that was acknowledged is lost, and it goes on. */
final class FullDisk {
    private static final int SIZE_MB = 260;

    private FullDisk() {}

    static boolean canRun() {
        return "root".equals(System.getProperty("user.name")) && Files.isExecutable(Path.of("/bin/mount"));
    }

    static Row run(boolean quick) throws Exception {
        Path disk = Files.createTempDirectory("attack-disk");
        if (!canRun() || shell("mount -t tmpfs -o size=" + SIZE_MB + "m tmpfs " + disk) != 0) {
            return new Row("full disk", "skipped: it needs root and a tmpfs", "", true);
        }
        try (Target target = new Target(disk.resolve("school"), quick)) {
            Visitor ines = target.ines();
            String line = ines.newLine("the root");
            String lesson = ines.lessonOf(line);
            String id = UUID.randomUUID().toString();
            byte[] chunk = new byte[1 << 20];
            int stored = 0;
            int status = 200;
            while (status == 200 && stored < SIZE_MB) {
                status = ines.send(
                                "PUT", "/recordings/" + id + "/chunks/" + stored + "?line=" + line, "audio/wav", chunk)
                        .statusCode();
                stored += status == 200 ? 1 : 0;
            }
            // The rest of it goes to something else.
            shell("dd if=/dev/zero of=" + disk.resolve("filler") + " bs=64k 2>/dev/null; sync");
            String desk = ines.page("/");
            boolean told = desk.contains("disk is full") && desk.contains("How a bean");
            String again = Visitor.text(ines.form("/lessons", "title", "No room"));
            String link = Visitor.first(ines.page("/lessons/" + lesson + "/give-link"), "(/l/[^\"<]+|disk is full)");
            boolean reads = ines.page("/lessons/" + lesson).contains("the root");
            long traces = target.traces();
            shell("rm " + disk.resolve("filler") + "; true");
            int after = ines.send(
                            "PUT",
                            "/recordings/" + id + "/chunks/" + stored + "?line=" + line,
                            "audio/wav",
                            new byte[9])
                    .statusCode();
            return Row.of(
                    "full disk",
                    status == 507 && told && reads && !again.contains("Exception") && target.isAlive(),
                    "a disk of " + SIZE_MB + " MB filled by a recording, then to its last byte",
                    "%d MB acknowledged, then %d; read on: %s; %d lines of traces in the log; give out: %s; with little room: %d",
                    stored,
                    status,
                    reads && told,
                    traces,
                    link.startsWith("/l/") ? "works" : "told",
                    after);
        } finally {
            shell("umount -l " + disk);
        }
    }

    private static int shell(String command) throws IOException, InterruptedException {
        return new ProcessBuilder("sh", "-c", command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
    }
}
