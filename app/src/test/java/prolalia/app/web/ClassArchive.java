package prolalia.app.web;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.spi.ToolProvider;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;
import prolalia.app.Prolalia;

/**
 * The classes of the application as the machine reads them quickest: servers that are started with it are there in half the time.
 * Java shares classes of JARs only, so that folders of classes become some first.
 */
final class ClassArchive {
    private static final Path FOLDER = Path.of("target", "class-archive").toAbsolutePath();
    static final Path PLACE = FOLDER.resolve("classes.jsa");

    private ClassArchive() {}

    static boolean isThere() {
        return Files.exists(PLACE);
    }

    static String ownClassPath() {
        return System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
    }

    /** That of this run without its tests, all of it JARs. */
    static String classPath() {
        return Stream.of(ownClassPath().split(File.pathSeparator))
                .filter(part -> !part.isBlank() && !part.contains("test-classes"))
                .map(part -> Files.isDirectory(Path.of(part)) ? jar(Path.of(part)) : Path.of(part))
                .map(Path::toString)
                .collect(Collectors.joining(File.pathSeparator));
    }

    private static Path jar(Path classes) {
        String name =
                classes.toAbsolutePath().toString().replaceAll("\\W+", "-").toLowerCase(Locale.ROOT);
        return FOLDER.resolve(name + ".jar");
    }

    /** Makes it anew, in a process that nobody waits for; servers that start meanwhile do without. */
    static void begin() throws IOException {
        FileSystemUtils.deleteRecursively(FOLDER);
        Files.createDirectories(FOLDER);
        for (String part : ownClassPath().split(File.pathSeparator)) {
            if (!part.isBlank() && !part.contains("test-classes") && Files.isDirectory(Path.of(part))) {
                ToolProvider.findFirst("jar")
                        .orElseThrow()
                        .run(
                                System.out,
                                System.err,
                                "-c",
                                "-0",
                                "-f",
                                jar(Path.of(part)).toString(),
                                "-C",
                                part,
                                ".");
            }
        }
        Path unfinished = FOLDER.resolve("unfinished.jsa");
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:ArchiveClassesAtExit=" + unfinished,
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-Dspring.context.exit=onRefresh",
                "-cp",
                classPath(),
                Prolalia.class.getName(),
                "--prolalia.data=" + FOLDER.resolve("data"),
                "--server.port=0",
                "--server.address=127.0.0.1"));
        new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(FOLDER.resolve("log").toFile())
                .start()
                .onExit()
                .thenAccept(over -> take(unfinished));
    }

    private static void take(Path made) {
        try {
            Files.move(made, PLACE, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException none) {
            System.err.println("No class archive: " + none);
        }
    }
}
