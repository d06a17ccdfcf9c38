package prolalia.app.platform;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** A small file that somebody sent, read by a program of its own: it says one line, and writes one file. */
@Component
public class FileReading {
    private static final int HEAP_MB = 320;
    private static final long LONGEST_MS = 15_000;

    /** Each has memory of its own. */
    private final Semaphore room = new Semaphore(2, true);

    private final DataFolder folder;

    FileReading(DataFolder folder) {
        this.folder = folder;
    }

    /**
     * What became of it.
     *
     * @param said a line of the program; empty when it took too much memory or time
     * @param answer the file that it wrote; null where it said something else than {@code done}
     */
    public record Read(String said, byte[] answer) {
        public boolean isDone() {
            return answer != null;
        }

        /** Why it was refused; {@code swollen} when the program didn't get so far. */
        public String refusal(String swollen) {
            return said.startsWith("refused ") ? said.substring("refused ".length()) : swollen;
        }
    }

    /** @param program told the file, where to write, and {@code more} */
    public Read read(Class<?> program, byte[] file, String... more) throws IOException {
        Path place = folder.newTemporaryFolder();
        try {
            Path sent = Files.write(place.resolve("sent"), file);
            Path answer = place.resolve("answer");
            List<String> arguments = new ArrayList<>(List.of(sent.toString(), answer.toString()));
            arguments.addAll(List.of(more));
            room.acquireUninterruptibly();
            try (LimitedProcess process = new LimitedProcess(program, HEAP_MB, place, arguments)) {
                process.limit(LONGEST_MS, () -> LONGEST_MS);
                String said = process.readLine();
                if (said == null) {
                    process.failed("A file could not be read");
                    return new Read("", null);
                }
                return new Read(said, said.equals("done") ? Files.readAllBytes(answer) : null);
            } finally {
                room.release();
            }
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }
}
