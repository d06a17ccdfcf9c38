package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import prolalia.app.web.Visitor;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/** How soon a take of ten minutes is on the bench, and how soon after its key an edit is heard. */
public final class BenchBenchmark {
    private static final int TIMES = 8;

    private BenchBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse("--autoplay-policy=no-user-gesture-required")) {
            for (int seconds : new int[] {10, 595}) {
                measure(house, seconds);
            }
        }
    }

    private static void measure(BenchmarkHouse house, int seconds) throws Exception {
        Visitor ines = Visitor.ines(house.address);
        String line = ines.newLine("A long passage.");
        String verdict = Visitor.text(ines.send(
                "PUT",
                "/recordings/" + UUID.randomUUID() + "/file?line=" + line + "&name="
                        + URLEncoder.encode("long.wav", StandardCharsets.UTF_8),
                "application/octet-stream",
                longRecording(seconds)));
        String take = Visitor.first(verdict, "data-take=\"([^\"]+)\"");
        Page page = house.desk();
        List<Double> opened = new ArrayList<>();
        for (int i = 0; i < TIMES; i++) {
            page.navigate(house.address + "/library");
            long start = System.nanoTime();
            page.navigate(house.address + "/takes/" + take + "/bench");
            page.waitForSelector(".bench[data-state=open]");
            opened.add((System.nanoTime() - start) / 1e6);
            // What goes on behind it, fetching and decoding, is over before the next one opens.
            page.keyboard().press("Space");
            page.waitForSelector("#play[aria-pressed=true]");
            page.waitForCondition(() -> page.getAttribute(".bench", "data-heard") != null);
        }
        page.keyboard().press("Space");
        List<Double> heard = new ArrayList<>();
        for (int i = 0; i < TIMES; i++) {
            page.keyboard().press("Space");
            page.waitForSelector("#play[aria-pressed=true]");
            heard.add(((Number) page.evaluate(EDIT_AND_LISTEN)).doubleValue());
            page.keyboard().press("Space");
        }
        System.out.printf(
                Locale.ROOT,
                "bench of a take of %d s: opens in %.0f ms (median; most %.0f), an edit is heard %.0f ms after its key "
                        + "(median; most %.0f)%n",
                seconds,
                median(opened),
                most(opened),
                median(heard),
                most(heard));
    }

    /** Adds a pause by its key while the take plays; answers the ms until it plays as edited. */
    private static final String EDIT_AND_LISTEN = """
            () => new Promise((resolve) => {
              const bench = document.querySelector('.bench');
              const before = bench.dataset.heard;
              const start = performance.now();
              new MutationObserver((changes, observer) => {
                if (bench.dataset.heard !== before) {
                  observer.disconnect();
                  resolve(performance.now() - start);
                }
              }).observe(bench, { attributes: true, attributeFilter: ['data-heard'] });
              document.dispatchEvent(new KeyboardEvent('keydown', { key: 'g', bubbles: true }));
            })""";

    /** The demo's voices again and again, with a room's hiss under them. */
    private static byte[] longRecording(int seconds) throws Exception {
        float[] all = new float[seconds * Sound.TAKE_SAMPLE_RATE];
        Random random = new Random(5);
        Path ogg = Files.createTempFile("voice", ".ogg");
        Files.write(
                ogg,
                BenchBenchmark.class.getResourceAsStream("/demo/bean-1b.ogg").readAllBytes());
        float[] voice = SoundReader.decode(ogg, 60_000).sound().samples();
        for (int i = 0; i < all.length; i++) {
            all[i] = voice[i % voice.length] + (float) random.nextGaussian() * 0.0005f;
        }
        Path wav = Files.createTempFile("long", ".wav");
        SoundWriter.writeWav(new Sound(all, Sound.TAKE_SAMPLE_RATE), wav);
        return Files.readAllBytes(wav);
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().toList().get(values.size() / 2);
    }

    private static double most(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).max().orElse(0);
    }
}
