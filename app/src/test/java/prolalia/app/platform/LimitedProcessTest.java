package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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
