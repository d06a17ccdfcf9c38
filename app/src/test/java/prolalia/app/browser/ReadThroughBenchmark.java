package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/**
 * A script of 24 lines read by a simulated microphone: how many key presses it takes, and how much longer than the speech.
 * The keys come a reader's moment after each line. Prints figures; run by ./prolalia bench.
 */
public final class ReadThroughBenchmark {
    private static final int LINES = 24;
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;

    /** Before the first line, so that the recorder is ready when it comes. */
    private static final double LEAD_SECONDS = 12;

    /** Between two lines a reader breathes in. */
    private static final double BREATH_SECONDS = 0.2;

    private static final String[] WORDS = {
        "Look at the picture. Point to the seed that is awake.",
        "A bean sleeps in the dry soil until the rain comes.",
        "Which part comes out of the seed first?",
        "The root comes first and drinks the water.",
        "Now show your partner what you have found.",
        "It is the part that drinks the water first."
    };

    private ReadThroughBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<float[]> spoken = new ArrayList<>();
        for (int i = 0; i < LINES; i++) {
            spoken.add(speak(WORDS[i % WORDS.length]));
        }
        Path wav = Files.createTempFile("script", ".wav");
        SoundWriter.writeWav(new Sound(oneAfterAnother(spoken), RATE), wav);
        try (BenchmarkHouse house = new BenchmarkHouse(
                "--use-fake-ui-for-media-stream",
                "--use-fake-device-for-media-stream",
                "--use-file-for-fake-audio-capture=" + wav + "%noloop",
                "--disable-quic")) {
            read(house.desk(), spoken);
        }
    }

    private static void read(Page page, List<float[]> spoken) {
        page.locator(".new-book button[data-key=n]").click();
        page.getByText("Paste many lines").click();
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < LINES; i++) {
            script.append("- ").append(WORDS[i % WORDS.length]).append("\n\n");
        }
        page.locator("#text").fill(script.toString());
        page.getByText("Take these lines").click();
        page.waitForSelector(".row-line");
        page.locator("#dock .go").click();
        page.waitForSelector(".prompter[data-state=ready]");
        // The microphone has been open for a moment; the first voice shows where in the file it is.
        int keys = 0;
        page.waitForCondition(
                () -> Integer.parseInt(page.locator("#level").getAttribute("aria-valuenow")) > 30,
                new Page.WaitForConditionOptions().setTimeout(30_000));
        page.keyboard().press("Space");
        keys++;
        long began = System.nanoTime();
        double at = 0;
        double speech = 0;
        for (float[] line : spoken) {
            at += (double) line.length / RATE;
            speech += (double) line.length / RATE;
            long wait = (long) ((at + BREATH_SECONDS / 2) * 1000) - (System.nanoTime() - began) / 1_000_000;
            page.waitForTimeout(Math.max(0, wait));
            page.keyboard().press("Enter");
            keys++;
            at += BREATH_SECONDS;
        }
        double reading = (System.nanoTime() - began) / 1e9;
        page.waitForSelector(".prompter[data-state=ended]", new Page.WaitForSelectorOptions().setTimeout(60_000));
        System.out.printf(
                "read-through of %d lines: %d key presses, %.1f s for %.1f s of speech (%.1f %% over); %s%n",
                LINES,
                keys,
                reading,
                speech,
                100 * (reading / speech - 1),
                page.locator("#summary h2").innerText());
    }

    private static float[] speak(String words) throws Exception {
        Path wav = Files.createTempFile("line", ".wav");
        new ProcessBuilder("espeak-ng", "-v", "en-gb", "-s", "145", "-w", wav.toString(), words)
                .start()
                .waitFor();
        float[] x = SoundReader.decode(wav, 60_000).sound().samples();
        int end = x.length;
        while (end > 0 && Math.abs(x[end - 1]) < 0.003) {
            end--;
        }
        return java.util.Arrays.copyOf(x, end);
    }

    private static float[] oneAfterAnother(List<float[]> spoken) {
        int breath = (int) (BREATH_SECONDS * RATE);
        int lead = (int) (LEAD_SECONDS * RATE);
        int length =
                lead + spoken.stream().mapToInt(each -> each.length + breath).sum() + 5 * RATE;
        float[] x = new float[length];
        java.util.Random random = new java.util.Random(3);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.0005 * random.nextGaussian());
        }
        int at = lead;
        for (float[] each : spoken) {
            for (int i = 0; i < each.length; i++) {
                x[at + i] += each[i] * 0.4f;
            }
            at += each.length + breath;
        }
        return x;
    }
}
