package prolalia.app.attack;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import prolalia.app.Prolalia;
import prolalia.app.web.Visitor;

/** A server of its own on this machine alone, as a school starts it on a small machine, with the demo's lessons. */
final class Target implements AutoCloseable {
    private static final int HEAP_MB = 512;
    private static final long LONGEST_START_MS = 120_000;

    final Path data;
    final String base;
    private final int port;
    private final Path logs = Files.createTempDirectory("attack-logs");
    private Process server;
    private Path log;

    Target(Path data) throws Exception {
        this.data = data;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        base = "http://localhost:" + port;
        start();
    }

    void start() throws Exception {
        log = logs.resolve("log-" + System.nanoTime());
        server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx" + HEAP_MB + "m",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        Prolalia.class.getName(),
                        "--prolalia.demo=true",
                        "--prolalia.rehearse=true",
                        "--prolalia.data=" + data,
                        "--server.port=" + port,
                        "--server.address=127.0.0.1")
                .redirectErrorStream(true)
                .redirectOutput(new File(log.toString()))
                .start();
        long end = System.nanoTime() + LONGEST_START_MS * 1_000_000;
        while (!Files.readString(log).contains("Prolalia is ready")) {
            if (!server.isAlive() || System.nanoTime() > end) {
                throw new IllegalStateException("The server didn't start:\n" + Files.readString(log));
            }
            server.waitFor(100, TimeUnit.MILLISECONDS);
        }
    }

    int port() {
        return port;
    }

    boolean isAlive() {
        return server.isAlive();
    }

    void kill() throws InterruptedException {
        server.destroyForcibly().waitFor();
    }

    /** The programs that it started and that haven't ended. */
    List<ProcessHandle> programs() {
        return server.toHandle().descendants().toList();
    }

    /** Memory of the server and of the programs that it started, in MB. */
    long memoryMb() {
        return Stream.concat(Stream.of(server.toHandle()), server.toHandle().descendants())
                .mapToLong(each -> residentMb(each.pid()))
                .sum();
    }

    private static long residentMb(long pid) {
        try {
            return Files.readAllLines(Path.of("/proc", Long.toString(pid), "status")).stream()
                    .filter(line -> line.startsWith("VmRSS:"))
                    .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                    .findFirst()
                    .orElse(0);
        } catch (IOException gone) {
            return 0;
        }
    }

    /** How many traces of failures the log holds since the last start. */
    long traces() throws IOException {
        return Files.readAllLines(log).stream()
                .filter(line -> line.startsWith("\tat "))
                .count();
    }

    Visitor ines() throws Exception {
        return Visitor.ines(base);
    }

    @Override
    public void close() throws Exception {
        kill();
    }
}
