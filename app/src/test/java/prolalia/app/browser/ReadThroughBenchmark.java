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
 * A script of 24 lines, and a form of ten questions with four choices each, read by a simulated microphone: how many key presses
 * it takes, and how much longer than the speech. The keys come a reader's moment after each line. Prints figures; run by
 * ./prolalia bench.
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

    private static final int QUESTIONS = 10;

    private static final String[] ASKED = {
        "Which tool tells how warm it is?", "What do we hold over us in the rain?", "Which one turns in the wind?"
    };

    private static final String[] CHOICES = {"the rain gauge", "the thermometer", "the wind sock", "the umbrella"};

    private ReadThroughBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<String> lines = new ArrayList<>();
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < LINES; i++) {
            lines.add(WORDS[i % WORDS.length]);
            script.append("- ").append(WORDS[i % WORDS.length]).append("\n\n");
        }
        measure("lines", lines, script.toString());
        List<String> form = new ArrayList<>();
        StringBuilder pasted = new StringBuilder();
        for (int question = 0; question < QUESTIONS; question++) {
            form.add(ASKED[question % ASKED.length]);
            pasted.append(question + 1)
                    .append(". ")
                    .append(ASKED[question % ASKED.length])
                    .append('\n');
            for (int choice = 0; choice < CHOICES.length; choice++) {
                form.add(CHOICES[choice]);
                pasted.append(choice == 1 ? "*" : "")
                        .append((char) ('a' + choice))
                        .append(") ")
                        .append(CHOICES[choice])
                        .append('\n');
            }
        }
        measure("lines of a form", form, pasted.toString());
    }

    private static void measure(String what, List<String> lines, String pasted) throws Exception {
        List<float[]> spoken = new ArrayList<>();
        for (String line : lines) {
            spoken.add(speak(line));
        }
        Path wav = Files.createTempFile("script", ".wav");
        SoundWriter.writeWav(new Sound(oneAfterAnother(spoken), RATE), wav);
        try (BenchmarkHouse house = new BenchmarkHouse(
                "--use-fake-ui-for-media-stream",
                "--use-fake-device-for-media-stream",
                "--use-file-for-fake-audio-capture=" + wav + "%noloop",
                "--disable-quic")) {
            read(house.desk(), what, pasted, spoken);
        }
    }

    private static void read(Page page, String what, String pasted, List<float[]> spoken) {
        page.locator(".begin .go").click();
        page.getByText("Paste many lines").click();
        page.locator("#text").fill(pasted);
        page.locator("form.paste button.go").click();
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
                "read-through of %d %s: %d key presses, %.1f s for %.1f s of speech (%.1f %% over); %s%n",
                spoken.size(),
                what,
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
