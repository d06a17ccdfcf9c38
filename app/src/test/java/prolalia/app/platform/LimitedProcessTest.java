package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.io.PrintStream;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.formats.archive.ArchiveProcess;
import prolalia.formats.code.ScanProcess;
import prolalia.formats.code.StampProcess;
import prolalia.formats.paper.PaperProcess;
import prolalia.formats.slides.SlidesProcess;
import prolalia.media.process.SoundProcess;

/** What a program that opens somebody's file gets to see, and when it is stopped. */
class LimitedProcessTest {
    @TempDir
    Path folder;

    /** Such a program: does what its argument says. */
    static final class Program {
        public static void main(String[] arguments) throws Exception {
            switch (arguments[0]) {
                case "look" -> look(arguments[1]);
                case "grow" -> grow();
                case "sleep" -> Thread.sleep(60_000);
                default -> throw new IllegalArgumentException(arguments[0]);
            }
        }

        private static void look(String port) {
            System.out.println("environment " + new TreeSet<>(System.getenv().keySet()));
            System.out.println("folder " + Path.of("").toAbsolutePath());
            try (Socket socket = new Socket()) {
                socket.connect(new InetSocketAddress("127.0.0.1", Integer.parseInt(port)), 500);
                System.out.println("network there");
            } catch (IOException none) {
                System.out.println("network none");
            }
        }

        private static void grow() {
            List<byte[]> all = new ArrayList<>();
            try {
                while (all.size() < 1_000) {
                    all.add(new byte[1 << 20]);
                }
                System.out.println("grew " + all.size());
            } catch (OutOfMemoryError enough) {
                all.clear();
                System.out.println("heavy");
            }
        }
    }

    /** One of our programs, in which a library talks to whoever listens: as long as it runs, and at its end. */
    static final class Talking {
        public static void main(String[] arguments) throws Exception {
            PrintStream first = System.out;
            long start = System.nanoTime();
            Thread library = new Thread(() -> {
                while (System.out == first && System.nanoTime() - start < 5_000_000_000L) {
                    Thread.yield();
                }
                while (true) {
                    System.out.println("WARN Using fallback font");
                }
            });
            library.setDaemon(true);
            library.start();
            Runtime.getRuntime().addShutdownHook(new Thread(() -> System.out.println("WARN Using fallback font")));
            Class.forName(arguments[0]).getMethod("main", String[].class).invoke(null, (Object)
                    Arrays.copyOfRange(arguments, 1, arguments.length));
        }
    }

    @ParameterizedTest
    @ValueSource(
            classes = {
                SoundProcess.class,
                PaperProcess.class,
                ScanProcess.class,
                StampProcess.class,
                SlidesProcess.class,
                ArchiveProcess.class
            })
    void whatALibraryPrintsIsNoAnswer(Class<?> program) throws Exception {
        Path nonsense = Files.writeString(folder.resolve("nonsense"), "Dear parents");
        List<String> arguments = List.of(program.getName(), nonsense.toString(), folder.toString(), folder.toString());
        try (LimitedProcess process = new LimitedProcess(Talking.class, 128, folder, arguments)) {
            process.limit(20_000, () -> 20_000);
            if (program == SoundProcess.class) {
                assertThat(process.readLine()).isEqualTo("ready");
                await().until(() -> Files.size(folder.resolve("errors.txt")) > 0);
                process.writeLine("{}");
                assertThat(process.readLine()).startsWith("failed");
                return;
            }
            for (String line = process.readLine(); line != null; line = process.readLine()) {
                assertThat(line).matches("refused [A-Z_]+ ?|done");
            }
            assertThat(Files.readString(folder.resolve("errors.txt"))).contains("WARN Using fallback font");
        }
    }

    @Test
    void whereAProgramFailedIsKnownAndNotWhatItWasAbout() throws Exception {
        try (LimitedProcess process = start("Ada's letter")) {
            assertThat(process.readLine()).isNull();
            assertThat(process.whereItFailed())
                    .contains("java.lang.IllegalArgumentException", "LimitedProcessTest$Program.main")
                    .doesNotContain("Ada");
        }
    }

    private LimitedProcess start(String... arguments) throws IOException {
        return new LimitedProcess(Program.class, 64, folder, List.of(arguments));
    }

    @Test
    void itHasAnEmptyEnvironmentAFolderOfItsOwnAndNoNetworkWhereTheSystemAllowsThat() throws Exception {
        try (ServerSocket here = new ServerSocket(0);
                LimitedProcess process = start("look", Integer.toString(here.getLocalPort()))) {
            assertThat(process.readLine())
                    .doesNotContain("HOME", "USER", "SERVER_SSL", "JAVA")
                    .contains("LANG");
            assertThat(process.readLine())
                    .endsWith(folder.toRealPath().getFileName().toString());
            assertThat(process.readLine())
                    .isEqualTo(LimitedProcess.keepsFromNetwork() ? "network none" : "network there");
            assertThat(process.readLine()).isNull();
        }
    }

    @Test
    void itsMemoryIsBoundedAndWhatIsSilentForTooLongIsStopped() throws Exception {
        try (LimitedProcess process = start("grow")) {
            assertThat(process.readLine()).isEqualTo("heavy");
        }
        try (LimitedProcess process = start("sleep")) {
            process.limit(1_000, () -> 30_000);
            assertThat(process.readLine()).isNull();
            assertThat(process.isLate()).isTrue();
            assertThat(process.waitFor(2_000)).isTrue();
        }
    }
}
