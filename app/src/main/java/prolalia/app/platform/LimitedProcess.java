package prolalia.app.platform;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A Java program of its own in which a file is opened that somebody sent: with bounded memory, an empty environment (ours may
 * hold the certificate's password), a folder of its own, and no network where the system allows that without being asked
 * (Linux with user namespaces). It talks in lines. Its standard input stays open as long as this program lives: the program
 * within must end when that ends.
 */
public final class LimitedProcess implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(LimitedProcess.class);

    /** What a program wrote of its failure: where it was, and none of what it was about. */
    private static final Pattern STACK = Pattern.compile("^\\s+at [\\w.$/<>@-]+\\([^()]*\\)$|^\\s+\\.\\.\\. \\d+ more$"
            + "|^(?:Caused by: |Exception in thread \"[\\w-]+\" )?(?:\\w+\\.)+\\w+(?:Exception|Error)\\b");

    private static final int MOST_ERRORS = 64 << 10;

    /** A Java program takes a share of the machine to begin with, however little it needs. */
    private static final int SMALLEST_HEAP_MB = 24;

    /** Beside the heap: code, stacks, FFmpeg and what it allocates itself. */
    private static final int BESIDE_HEAP_MB = 1_300;

    private static final long LOOK_EVERY_MS = 500;
    private static final int LONGEST_LINE = 64 << 20;
    private static final Path SHELL = Path.of("/bin/sh");
    private static final List<String> NO_NETWORK = noNetwork();

    private final Class<?> main;
    private final Path errors;
    private final Process process;
    private final InputStream said;
    private final OutputStream input;
    private volatile long heardAt;
    private volatile boolean late;

    /**
     * @param main of the program; it is found where this program's classes are
     * @param heapMb what it may have for its objects
     * @param folder where it works, and where its errors are written
     */
    public LimitedProcess(Class<?> main, int heapMb, Path folder, List<String> arguments) throws IOException {
        Waiting.allowed();
        this.main = main;
        errors = folder.resolve("errors.txt");
        List<String> command = new ArrayList<>();
        if (Files.isExecutable(SHELL)) {
            // Where the system has no such limit, it goes on without.
            String limit = "ulimit -c 0 2>/dev/null; ulimit -v " + (heapMb + BESIDE_HEAP_MB) * 1024L
                    + " 2>/dev/null; exec \"$@\"";
            command.addAll(List.of(SHELL.toString(), "-c", limit, "sh"));
            command.addAll(NO_NETWORK);
        }
        command.addAll(java(heapMb, folder));
        command.addAll(program(main));
        command.addAll(arguments);
        ProcessBuilder builder =
                new ProcessBuilder(command).directory(folder.toFile()).redirectError(errors.toFile());
        Map<String, String> environment = builder.environment();
        environment.clear();
        environment.put("PATH", "/usr/local/bin:/usr/bin:/bin");
        environment.put("LANG", "C.UTF-8");
        // Otherwise each thread reserves address space of its own, of which there is little.
        environment.put("MALLOC_ARENA_MAX", "2");
        process = builder.start();
        said = new BufferedInputStream(process.getInputStream(), 1 << 16);
        input = process.getOutputStream();
    }

    private static List<String> java(int heapMb, Path folder) {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xms" + SMALLEST_HEAP_MB + "m",
                "-Xmx" + heapMb + "m",
                "-XX:+UseSerialGC",
                // It is over before code that is compiled better pays: half the time for a paper, a tenth less for a
                // long take.
                "-XX:TieredStopAtLevel=1",
                "-XX:MinHeapFreeRatio=20",
                "-XX:MaxHeapFreeRatio=40",
                "-Xss4m",
                "-XX:CompressedClassSpaceSize=96m",
                "-XX:ReservedCodeCacheSize=96m",
                "-XX:-UsePerfData",
                "-Dfile.encoding=UTF-8",
                "-Djava.awt.headless=true",
                "-Djava.io.tmpdir=" + folder,
                "-Duser.home=" + System.getProperty("user.home")));
        ManagementFactory.getRuntimeMXBean().getInputArguments().stream()
                .filter(argument -> argument.startsWith("-XX:SharedArchiveFile="))
                .forEach(argument -> command.addAll(List.of(argument, "-Xshare:auto", "-Xlog:disable")));
        return command;
    }

    private static List<String> program(Class<?> main) {
        List<String> command = new ArrayList<>(List.of("-cp", classPath()));
        String home = main.getProtectionDomain().getCodeSource().getLocation().toString();
        if (home.startsWith("jar:nested:")) {
            command.add("-Dloader.main=" + main.getName());
            command.add("org.springframework.boot.loader.launch.PropertiesLauncher");
        } else {
            command.add(main.getName());
        }
        return command;
    }

    /** The program works in another folder than this one. */
    private static String classPath() {
        String separator = System.getProperty("path.separator");
        return java.util.Arrays.stream(System.getProperty("java.class.path").split(Pattern.quote(separator)))
                .map(part ->
                        part.isEmpty() ? part : Path.of(part).toAbsolutePath().toString())
                .collect(Collectors.joining(separator));
    }

    private static List<String> noNetwork() {
        List<String> way = List.of("unshare", "--user", "--map-root-user", "--net", "--");
        try {
            List<String> trial = new ArrayList<>(way);
            trial.add("true");
            Process process = new ProcessBuilder(trial)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            boolean works = process.waitFor(2, TimeUnit.SECONDS) && process.exitValue() == 0;
            return works ? way : List.of();
        } catch (IOException notThere) {
            return List.of();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return List.of();
        }
    }

    /** Whether programs that open files are kept from the network on this system. */
    public static boolean keepsFromNetwork() {
        return !NO_NETWORK.isEmpty();
    }

    /**
     * Stops it when it is silent for too long, or takes too long for all of its work.
     *
     * @param wholeMs asked again and again: it may grow as more is known of the work
     */
    public void limit(long silenceMs, LongSupplier wholeMs) {
        long startedAt = System.nanoTime();
        heardAt = startedAt;
        Thread watch = new Thread(
                () -> {
                    try {
                        while (!waitFor(LOOK_EVERY_MS)) {
                            long now = System.nanoTime();
                            if (now - heardAt > silenceMs * 1_000_000
                                    || now - startedAt > wholeMs.getAsLong() * 1_000_000) {
                                late = true;
                                close();
                            }
                        }
                    } catch (InterruptedException stopped) {
                        close();
                    }
                },
                "process-watch");
        watch.setDaemon(true);
        watch.start();
    }

    /** Whether it was stopped since it took too long. */
    public boolean isLate() {
        return late;
    }

    /** The next line that it says; null when it has ended. */
    public String readLine() throws IOException {
        String line = nextLine();
        heardAt = System.nanoTime();
        return line;
    }

    private String nextLine() throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        for (int next = said.read(); next >= 0; next = said.read()) {
            if (next == '\n') {
                return line.toString(StandardCharsets.UTF_8);
            }
            line.write(next);
            if (line.size() > LONGEST_LINE) {
                throw new IOException("A line without end");
            }
        }
        return null;
    }

    public void writeLine(String line) throws IOException {
        input.write((line + "\n").getBytes(StandardCharsets.UTF_8));
        input.flush();
    }

    /**
     * It didn't do what it was to do: where it failed goes to the log.
     *
     * @return to be thrown
     */
    public IOException failed(String what) {
        LOG.error("{} by {}{}\n{}", what, main.getSimpleName(), late ? ", which took too long" : "", whereItFailed());
        return new IOException(what);
    }

    /** By its errors; empty where it said nothing of that. */
    String whereItFailed() {
        try (RandomAccessFile all = new RandomAccessFile(errors.toFile(), "r")) {
            all.seek(Math.max(0, all.length() - MOST_ERRORS));
            byte[] last = new byte[(int) Math.min(MOST_ERRORS, all.length())];
            all.readFully(last);
            return new String(last, StandardCharsets.UTF_8)
                    .lines()
                    .map(STACK::matcher)
                    .filter(Matcher::find)
                    .map(Matcher::group)
                    .collect(Collectors.joining("\n"));
        } catch (IOException gone) {
            return "";
        }
    }

    public boolean isAlive() {
        return process.isAlive();
    }

    /** Waits for its end; answers whether it came. */
    public boolean waitFor(long ms) throws InterruptedException {
        return process.waitFor(ms, TimeUnit.MILLISECONDS);
    }

    /** Stops it, wherever it is. */
    @Override
    public void close() {
        process.destroyForcibly();
    }
}
