package prolalia.app.workers;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import prolalia.app.platform.LimitedProcess;
import prolalia.formats.paper.PaperProcess;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.PaperRefusedException.Reason;

/**
 * A run of {@link PaperProcess}, which is stopped when a page, or all of a paper, takes too long. Whatever a file does to it, the
 * server goes on.
 */
public final class PaperRun implements AutoCloseable {
    private static final int HEAP_MB = 560;

    /** The slowest honest pages, scans at a high resolution, take some seconds. */
    private static final long LONGEST_PAGE_MS = 60_000;

    /** A whole paper: 100 pages of a PDF take some 20 s on a small machine. */
    private static final long LONGEST_START_MS = 90_000;

    private static final long EACH_PAGE_MS = 1_500;
    private static final int LONGEST_LINE = 200;

    private final LimitedProcess process;
    private final Bounds bounds;
    private volatile int pages;

    /** What a run may take. */
    public enum Bounds {
        PAPER(HEAP_MB, LONGEST_PAGE_MS, LONGEST_START_MS),
        /** A child's picture: a photo of a phone is opened in a second. */
        ANSWER(200, 5_000, 5_000);

        private final int heapMb;
        private final long silenceMs;
        private final long startMs;

        Bounds(int heapMb, long silenceMs, long startMs) {
            this.heapMb = heapMb;
            this.silenceMs = silenceMs;
            this.startMs = startMs;
        }
    }

    /** Told how far it is. */
    public interface Progress {
        void at(int page, int of);
    }

    public PaperRun(Path file, Path folder) throws IOException {
        this(file, folder, Bounds.PAPER);
    }

    PaperRun(Path file, Path folder, Bounds bounds) throws IOException {
        this.bounds = bounds;
        process = new LimitedProcess(
                PaperProcess.class,
                bounds.heapMb,
                folder,
                List.of(
                        file.toAbsolutePath().toString(),
                        folder.toAbsolutePath().toString()));
    }

    /**
     * Waits until all of it is read.
     *
     * @throws IOException when that could not be done, whatever the paper: it may be tried again
     */
    public void await(Progress progress) throws IOException, PaperRefusedException {
        process.limit(bounds.silenceMs, () -> bounds.startMs + pages * EACH_PAGE_MS);
        try {
            String line;
            while ((line = process.readLine()) != null) {
                String[] words =
                        line.substring(0, Math.min(LONGEST_LINE, line.length())).split(" ");
                switch (words[0]) {
                    case "pages" -> progress.at(0, pages = Integer.parseInt(words[1]));
                    case "page" -> progress.at(Integer.parseInt(words[1]), pages);
                    case "refused" -> throw new PaperRefusedException(Reason.valueOf(words[1]));
                    case "unwritten" -> throw process.failed("What was read of a paper could not be written");
                    case "done" -> {
                        return;
                    }
                    default -> {}
                }
            }
        } finally {
            close();
        }
        process.failed("A paper could not be read");
        throw new PaperRefusedException(process.isLate() ? Reason.TOO_SLOW : Reason.TOO_LARGE);
    }

    /** Stops it, wherever it is. */
    @Override
    public void close() {
        process.close();
    }
}
