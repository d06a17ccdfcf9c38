package prolalia.app.web;

import java.io.IOException;
import java.io.InputStream;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/**
 * The application with the demo data, started once for all tests that extend this: as a school has it, by plain HTTP and by HTTPS
 * with a certificate of its own, and by a name.
 */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "prolalia.demo=true",
            "prolalia.quiet=2s",
            "prolalia.broken-off=4s",
            "prolalia.password-memory-kb=64",
            "prolalia.hosts=" + RunningHouse.NAME
        })
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
public abstract class RunningHouse {
    /** By this name the house is no secure context, unless it is asked by HTTPS. */
    protected static final String NAME = "school.test";

    static final Path DATA = newFolder();
    private static final String WORD = "for tests alone";
    private static final int PLAIN_PORT = freePort();

    @LocalServerPort
    private int securePort;

    @DynamicPropertySource
    static void data(DynamicPropertyRegistry properties) {
        properties.add("prolalia.data", DATA::toString);
        properties.add("prolalia.plain-port", () -> PLAIN_PORT);
        properties.add("server.ssl.key-store", () -> "file:" + certificate());
        properties.add("server.ssl.key-store-type", () -> "PKCS12");
        properties.add("server.ssl.key-store-password", () -> WORD);
    }

    protected String base() {
        return "http://localhost:" + PLAIN_PORT;
    }

    /** As other devices reach it: plain HTTP by a name. */
    protected String byName() {
        return "http://" + NAME + ":" + PLAIN_PORT;
    }

    /** The same by HTTPS. */
    protected String secure() {
        return "https://" + NAME + ":" + securePort;
    }

    private static int freePort() {
        try (ServerSocket free = new ServerSocket(0)) {
            return free.getLocalPort();
        } catch (IOException failure) {
            throw new IllegalStateException(failure);
        }
    }

    private static Path certificate() {
        try {
            Path store = Files.createTempDirectory("certificate").resolve("own.p12");
            String keytool =
                    Path.of(System.getProperty("java.home"), "bin", "keytool").toString();
            String[] command = {
                keytool,
                "-genkeypair",
                "-alias",
                "own",
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                "2",
                "-storetype",
                "PKCS12",
                "-keystore",
                store.toString(),
                "-storepass",
                WORD,
                "-dname",
                "CN=" + NAME,
                "-ext",
                "SAN=dns:" + NAME + ",dns:localhost"
            };
            Process made = new ProcessBuilder(command).redirectErrorStream(true).start();
            String said = new String(made.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (made.waitFor() != 0) {
                throw new IllegalStateException(said);
            }
            return store;
        } catch (IOException | InterruptedException failure) {
            throw new IllegalStateException(failure);
        }
    }

    private static Path newFolder() {
        try {
            return DemoFolder.copyTo(Files.createTempDirectory("prolalia-test").resolve("school"));
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
    }

    /** One of the demo's voices as a WAV file, with silence after it, so that it can be the microphone. */
    protected static Path voice(String name) {
        try (InputStream in = RunningHouse.class.getResourceAsStream("/demo/" + name + ".ogg")) {
            Path ogg = Files.createTempFile("voice", ".ogg");
            Files.write(ogg, in.readAllBytes());
            Path wav = Files.createTempFile("voice", ".wav");
            Sound spoken = SoundReader.decode(ogg, 60_000).sound();
            SoundWriter.writeWav(spoken, wav);
            return wav;
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
    }

    /** The demo's voices one after another, as somebody reads a script into a phone: a WAV file. */
    public static byte[] readAloud(double pauseSeconds, String... voices) throws Exception {
        int rate = Sound.TAKE_SAMPLE_RATE;
        List<float[]> parts = new ArrayList<>();
        for (String voice : voices) {
            parts.add(SoundReader.decode(voice(voice), 60_000).sound().samples());
            parts.add(new float[(int) (pauseSeconds * rate)]);
        }
        float[] all = new float[parts.stream().mapToInt(part -> part.length).sum()];
        Random hiss = new Random(7);
        int at = 0;
        for (float[] part : parts) {
            for (float sample : part) {
                all[at++] = sample + (float) hiss.nextGaussian() * 0.0003f;
            }
        }
        Path wav = Files.createTempFile("read", ".wav");
        SoundWriter.writeWav(new Sound(all, rate), wav);
        return Files.readAllBytes(wav);
    }
}
