package prolalia.app.attack;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import prolalia.app.web.DemoFolder;
import prolalia.app.web.OwnServer;
import prolalia.app.web.Visitor;

/** A server of its own on this machine alone, as a school starts it on a small machine, with the demo's lessons. */
final class Target implements AutoCloseable {
    private static final int HEAP_MB = 512;

    final Path data;
    final String base;
    private final OwnServer server;

    /** @param quick whether what counts is that the attack is soon over, not how well the server does */
    Target(Path data, boolean quick) throws Exception {
        this.data = quick ? DemoFolder.copyTo(data) : data;
        server = new OwnServer(data, HEAP_MB, quick, "--prolalia.demo=true", "--prolalia.rehearse=" + !quick);
        base = server.base();
        start();
    }

    void start() throws Exception {
        server.start();
    }

    int port() {
        return server.port();
    }

    boolean isAlive() {
        return server.isAlive();
    }

    void kill() throws InterruptedException {
        server.kill();
    }

    /** The programs that it started and that haven't ended. */
    List<ProcessHandle> programs() {
        return server.handle().descendants().toList();
    }

    /** Memory of the server and of the programs that it started, in MB. */
    long memoryMb() {
        return Stream.concat(Stream.of(server.handle()), server.handle().descendants())
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
        return server.log().lines().filter(line -> line.startsWith("\tat ")).count();
    }

    /** Waits until it works on nothing any more, as between two lessons; at most two minutes. */
    void settle() throws InterruptedException {
        long end = System.nanoTime() + Duration.ofMinutes(2).toNanos();
        Duration before = Duration.ZERO;
        for (Duration now = worked(); now.minus(before).toMillis() > 500 && System.nanoTime() < end; now = worked()) {
            before = now;
            Thread.sleep(2_000);
        }
    }

    private Duration worked() {
        return server.handle().info().totalCpuDuration().orElse(Duration.ZERO);
    }

    Visitor ines() throws Exception {
        return Visitor.ines(base);
    }

    @Override
    public void close() throws Exception {
        server.close();
    }
}
