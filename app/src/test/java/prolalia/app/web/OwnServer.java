package prolalia.app.web;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import prolalia.app.Prolalia;

/** The application in a process of its own, which can be killed and started again. */
public final class OwnServer implements AutoCloseable {
    private static final long LONGEST_START_MS = 400_000;

    private final Path data;
    private final List<String> options;
    private final int port;
    private final Path logs;
    private Process process;
    private Path log;

    /**
     * @param data its folder
     * @param heapMb what it may have for its objects
     * @param quick whether it starts quickly and then works less quickly, as is best for a test
     * @param options of the application
     */
    public OwnServer(Path data, int heapMb, boolean quick, String... options) throws IOException {
        this.data = data;
        this.options = new ArrayList<>(List.of("-Xmx" + heapMb + "m", "-XX:+UseSerialGC"));
        if (quick) {
            this.options.addAll(List.of(
                    "-XX:TieredStopAtLevel=1", "-XX:+UnlockDiagnosticVMOptions", "-XX:-BytecodeVerificationRemote"));
        }
        if (ClassArchive.isThere()) {
            this.options.add("-XX:SharedArchiveFile=" + ClassArchive.PLACE);
        }
        this.options.addAll(List.of(
                "-cp",
                ClassArchive.isThere() ? ClassArchive.classPath() : ClassArchive.ownClassPath(),
                Prolalia.class.getName()));
        this.options.addAll(Arrays.asList(options));
        if (quick) {
            this.options.add("--prolalia.password-memory-kb=64");
        }
        logs = Files.createTempDirectory("server-logs");
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
    }

    public void start() throws Exception {
        log = logs.resolve("log-" + System.nanoTime());
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString()));
        command.addAll(options);
        command.addAll(List.of("--prolalia.data=" + data, "--server.port=" + port, "--server.address=127.0.0.1"));
        process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(new File(log.toString()))
                .start();
        long end = System.nanoTime() + LONGEST_START_MS * 1_000_000;
        while (!log().contains("Prolalia is ready")) {
            if (!process.isAlive() || System.nanoTime() > end) {
                throw new IllegalStateException("The server didn't start:\n" + log());
            }
            process.waitFor(50, TimeUnit.MILLISECONDS);
        }
    }

    public String base() {
        return "http://localhost:" + port;
    }

    public int port() {
        return port;
    }

    /** What it has said since its last start. */
    public String log() throws IOException {
        return Files.readString(log);
    }

    public boolean isAlive() {
        return process.isAlive();
    }

    public ProcessHandle handle() {
        return process.toHandle();
    }

    public void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    /** Asks it to stop, and waits until it has. */
    public void stop() throws InterruptedException {
        process.destroy();
        process.waitFor();
    }

    @Override
    public void close() throws InterruptedException {
        if (process != null) {
            kill();
        }
    }
}
