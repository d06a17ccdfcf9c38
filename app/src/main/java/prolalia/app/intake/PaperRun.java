package prolalia.app.intake;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import prolalia.formats.paper.PaperProcess;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.PaperRefusedException.Reason;

/**
 * A run of {@link PaperProcess}: a Java of its own, with bounded memory, that is stopped when a page takes too long. Whatever
 * a file does to it, the server goes on.
 */
final class PaperRun implements AutoCloseable {
    private static final String MEMORY = "-Xmx560m";

    /** The slowest honest pages, scans at a high resolution, take some seconds. */
    private static final long LONGEST_PAGE_MS = 60_000;

    private static final long LOOK_EVERY_MS = 500;
    private static final int LONGEST_LINE = 200;

    private final Process process;
    private final AtomicLong heardAt = new AtomicLong(System.nanoTime());
    private volatile boolean late;

    /** Told how far it is. */
    interface Progress {
        void at(int page, int of);
    }

    PaperRun(Path file, Path folder) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                MEMORY,
                "-XX:+UseSerialGC",
                "-Xss4m",
                "-Djava.awt.headless=true",
                "-Djava.io.tmpdir=" + folder,
                "-cp",
                System.getProperty("java.class.path")));
        String home = PaperProcess.class
                .getProtectionDomain()
                .getCodeSource()
                .getLocation()
                .toString();
        if (home.startsWith("jar:nested:")) {
            command.add("-Dloader.main=" + PaperProcess.class.getName());
            command.add("org.springframework.boot.loader.launch.PropertiesLauncher");
        } else {
            command.add(PaperProcess.class.getName());
        }
        command.add(file.toString());
        command.add(folder.toString());
        process = new ProcessBuilder(command)
                .redirectError(folder.resolve("errors.txt").toFile())
                .start();
    }

    /** Waits until all of it is read. */
    void await(Progress progress) throws IOException, PaperRefusedException {
        Thread watch = new Thread(this::watch, "paper-watch");
        watch.setDaemon(true);
        watch.start();
        int pages = 0;
        try (BufferedReader said =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            String line;
            while ((line = said.readLine()) != null) {
                heardAt.set(System.nanoTime());
                String[] words =
                        line.substring(0, Math.min(LONGEST_LINE, line.length())).split(" ");
                switch (words[0]) {
                    case "pages" -> progress.at(0, pages = Integer.parseInt(words[1]));
                    case "page" -> progress.at(Integer.parseInt(words[1]), pages);
                    case "refused" -> throw new PaperRefusedException(Reason.valueOf(words[1]));
                    case "done" -> {
                        return;
                    }
                    default -> {}
                }
            }
        } finally {
            close();
        }
        throw new PaperRefusedException(late ? Reason.TOO_SLOW : Reason.TOO_LARGE);
    }

    private void watch() {
        try {
            while (!process.waitFor(LOOK_EVERY_MS, TimeUnit.MILLISECONDS)) {
                if (System.nanoTime() - heardAt.get() > LONGEST_PAGE_MS * 1_000_000) {
                    late = true;
                    process.destroyForcibly();
                }
            }
        } catch (InterruptedException stopped) {
            process.destroyForcibly();
        }
    }

    /** Stops it, wherever it is. */
    @Override
    public void close() {
        process.destroyForcibly();
    }
}
