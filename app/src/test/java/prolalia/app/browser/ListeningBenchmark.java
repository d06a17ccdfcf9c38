package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import prolalia.app.web.Visitor;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/**
 * The listening desk of 35 children and 30 questions: how soon it is open, and how long spoken answers of about 20 s take to be
 * heard and marked, at speed 1.25 with pauses shortened, one key each. The answers are the demo's made voices with pauses of 0.5
 * to 2.5 s between; the browser, the server and the "teacher" share one machine, and she never hears anything twice.
 */
final class ListeningBenchmark {
    private static final int CHILDREN = 35;
    private static final int QUESTIONS = 30;
    private static final int HEARD = 30;
    private static final int TIMES = 9;
    private static final int RATE = 48_000;
    private static final int ANSWER_S = 20;
    private static final String JSON = "application/json";

    private ListeningBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse("--autoplay-policy=no-user-gesture-required")) {
            Visitor ines = Visitor.ines(house.address);
            String desk = answered(ines);
            List<Double> opened = new ArrayList<>();
            for (int time = 0; time < TIMES; time++) {
                long began = System.nanoTime();
                ines.page(desk + "?which=ALL");
                opened.add((System.nanoTime() - began) / 1e6);
            }
            Collections.sort(opened);
            say(
                    "listening of %d answers: the desk answers within %.0f ms (longest %.0f)",
                    CHILDREN * QUESTIONS, opened.get(TIMES / 2), opened.get(TIMES - 1));
            hear(house, desk);
        }
    }

    private static void say(String figures, Object... values) {
        System.out.println(String.format(Locale.ROOT, figures, values));
    }

    private static String answered(Visitor ines) throws Exception {
        String id = Visitor.newClass(ines, "Crowd");
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < CHILDREN; i++) {
            names.append("Child ").append(i).append('\n');
        }
        ines.form("/classes/" + id + "/students", "names", names.toString());
        List<String> students = Visitor.all(ines.page("/classes/" + id), "/students/([^\"/]+)\"");
        String first = ines.newLine("Say it");
        String lesson = ines.lessonOf(first);
        StringBuilder form = new StringBuilder();
        for (int i = 1; i <= QUESTIONS; i++) {
            form.append(i).append(". Question ").append(i).append("?\n*a) right\nb) wrong\n");
        }
        ines.form("/lines/" + first + "/paste", "text", form.toString(), "wrapped", "true");
        String query = ines.form("/lessons/" + lesson + "/give", "to", id).uri().getQuery();
        String assignment = Visitor.first(query, "given=([^&]+)");
        List<String[]> asked = new ArrayList<>();
        Visitor one = Visitor.child(ines, id, students.get(0));
        for (int page = 1; page <= QUESTIONS; page++) {
            String html = one.page("/my/" + assignment + "/" + page);
            for (String question : Visitor.all(html, "class=\"answer[^\"]*\"[^>]*data-question=\"([^\"]+)\"")) {
                asked.add(new String[] {question, Visitor.first(html, "data-choice=\"([^\"]+)\"")});
            }
        }
        String spoken = asked.get(0)[0];
        ines.putForm("/lines/" + spoken + "/question/kind", "by", "SPOKEN");
        ines.putForm("/lines/" + spoken + "/question/points", "points", "2");
        for (int i = 0; i < students.size(); i++) {
            Visitor child = Visitor.child(ines, id, students.get(i));
            for (String[] question : asked) {
                String given = question[0].equals(spoken)
                        ? "{\"spoken\":[\"" + spoken(child, assignment, spoken, i) + "\"]}"
                        : "{\"chosen\":[\"" + question[1] + "\"]}";
                child.send(
                        "PUT",
                        "/my/" + assignment + "/answers/" + question[0] + "/" + UUID.randomUUID(),
                        JSON,
                        given.getBytes(StandardCharsets.UTF_8));
            }
        }
        return "/assignments/" + assignment + "/listen";
    }

    private static String spoken(Visitor child, String assignment, String question, int which) throws Exception {
        String id = UUID.randomUUID().toString();
        String at = "/my/" + assignment + "/recordings/" + id;
        byte[] sound = voice(which);
        int half = sound.length / 2;
        child.send("PUT", at + "/chunks/0?line=" + question, "audio/wav", Arrays.copyOf(sound, half));
        child.send(
                "PUT", at + "/chunks/1?line=" + question, "audio/wav", Arrays.copyOfRange(sound, half, sound.length));
        child.form(at + "/end?line=" + question, "chunks", "2");
        return id;
    }

    private static byte[] voice(int which) throws Exception {
        Random random = new Random(which);
        float[] samples = new float[RATE * (ANSWER_S + 6)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.002 * random.nextGaussian());
        }
        int at = RATE / 2;
        while (at < RATE * ANSWER_S) {
            String name = List.of("bean-1a", "bean-1b", "bean-2a", "bean-2b").get(random.nextInt(4));
            float[] said = SoundReader.decode(Path.of("app/src/main/resources/demo", name + ".ogg"), 60_000)
                    .sound()
                    .samples();
            for (int i = 0; i < said.length && at + i < samples.length; i++) {
                samples[at + i] += said[i];
            }
            at += said.length + (int) (RATE * 1.5 * random.nextDouble());
        }
        Path wav = Files.createTempFile("answer", ".wav");
        try {
            SoundWriter.writeWav(new Sound(samples, RATE), wav);
            return Files.readAllBytes(wav);
        } finally {
            Files.delete(wav);
        }
    }

    private static void hear(BenchmarkHouse house, String desk) {
        Page page = house.desk();
        page.waitForURL(house.address + "/");
        page.evaluate("() => { localStorage.setItem('listening-speed', '1.25'); }");
        page.navigate(house.address + desk + "?which=OPEN");
        page.waitForSelector("#stop .piece");
        List<Double> ready = new ArrayList<>();
        double sounds = 0;
        long began = System.nanoTime();
        page.keyboard().press(" ");
        for (int i = 0; i < HEARD; i++) {
            page.waitForSelector("#play[aria-pressed=true]");
            sounds += Double.parseDouble(page.locator("#stop .piece").getAttribute("data-ms"));
            page.waitForSelector("#play[aria-pressed=false]", new Page.WaitForSelectorOptions().setTimeout(60_000));
            double took = ((Number) page.evaluate("""
                    () => new Promise((done) => {
                      const pressed = performance.now();
                      const play = document.getElementById('play');
                      new MutationObserver((changes, observer) => {
                        if (play.getAttribute('aria-pressed') === 'true') {
                          observer.disconnect();
                          done(performance.now() - pressed);
                        }
                      }).observe(play, { attributes: true });
                      document.querySelector('[data-points="2"]').click();
                    })""")).doubleValue();
            ready.add(took);
        }
        double wall = (System.nanoTime() - began) / 1e6;
        Collections.sort(ready);
        say(
                "listening of %d spoken answers of %.0f s in all: heard and marked in %.0f %% of their length, one key each; the next"
                        + " sounds %.0f ms after the key (longest %.0f)",
                HEARD, sounds / 1000, 100 * wall / sounds, ready.get(HEARD / 2), ready.get(HEARD - 1));
    }
}
