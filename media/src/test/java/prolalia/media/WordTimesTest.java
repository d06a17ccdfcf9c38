package prolalia.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.align.WordTimes;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.Sound;

/** Words light up when they are said: on made speech whose word times are known. */
class WordTimesTest {
    private static final int CLEAN = 99;

    @TempDir
    private Path folder;

    private record Clip(String words, Sound sound, String[] known) {}

    private List<Clip> clips(int signalToNoiseDb) throws Exception {
        List<Clip> clips = new ArrayList<>();
        Random random = new Random(7);
        try (BufferedReader list =
                new BufferedReader(new InputStreamReader(resource("words.tsv"), StandardCharsets.UTF_8))) {
            for (String line :
                    list.lines().filter(each -> !each.startsWith("#")).toList()) {
                String[] parts = line.split("\t");
                Path file = folder.resolve(parts[0]);
                Files.copy(resource(parts[0]), file, StandardCopyOption.REPLACE_EXISTING);
                Sound sound = SoundReader.decode(file, 60_000).sound();
                clips.add(new Clip(parts[1], noisy(sound, signalToNoiseDb, random), parts[2].split(" ")));
            }
        }
        return clips;
    }

    private static InputStream resource(String name) throws IOException {
        return WordTimesTest.class.getResourceAsStream("/words/" + name);
    }

    private static Sound noisy(Sound sound, int signalToNoiseDb, Random random) {
        if (signalToNoiseDb == CLEAN) {
            return sound;
        }
        double power = 0;
        for (float sample : sound.samples()) {
            power += sample * sample;
        }
        double deviation = Math.sqrt(power / sound.samples().length / Math.pow(10, signalToNoiseDb / 10.0));
        float[] noisy = sound.samples().clone();
        for (int i = 0; i < noisy.length; i++) {
            noisy[i] += (float) (random.nextGaussian() * deviation);
        }
        return new Sound(noisy, sound.sampleRate());
    }

    @ParameterizedTest
    @ValueSource(ints = {CLEAN, 15})
    void halfOfTheWordsBeginWithin120MsAndNineOfTenWithin300(int signalToNoiseDb) throws Exception {
        List<Long> errors = new ArrayList<>();
        for (Clip clip : clips(signalToNoiseDb)) {
            List<Word> found = WordTimes.of(clip.words(), clip.sound());
            assertThat(found)
                    .extracting(Word::text)
                    .containsExactly(clip.words().split(" "));
            int at = 0;
            for (String known : clip.known()) {
                String[] wordAndTime = known.split("@");
                while (!found.get(at).text().replaceAll("\\W", "").equals(wordAndTime[0].replaceAll("\\W", ""))) {
                    at++;
                }
                errors.add(Math.abs(found.get(at++).span().startMs() - Long.parseLong(wordAndTime[1])));
            }
        }
        Collections.sort(errors);
        long median = errors.get(errors.size() / 2);
        long ninth = errors.get(errors.size() * 9 / 10);
        System.out.printf(
                "word starts at %d dB: median %d ms, 90 %% within %d ms, of %d%n",
                signalToNoiseDb, median, ninth, errors.size());
        assertThat(median).isLessThanOrEqualTo(120);
        assertThat(ninth).isLessThanOrEqualTo(300);
    }

    @Test
    void wordsFollowEachOtherWhateverIsHeard() throws Exception {
        Clip clip = clips(CLEAN).get(0);
        Sound silence = new Sound(new float[48_000], 48_000);
        Sound tiny = new Sound(new float[300], 48_000);
        for (Sound sound : List.of(clip.sound(), silence, tiny)) {
            for (String words : List.of(clip.words(), "Look – at 12 beans!", "x ".repeat(300), "豆が起きる。")) {
                long before = 0;
                for (Word word : WordTimes.of(words, sound)) {
                    assertThat(word.span().startMs()).isGreaterThanOrEqualTo(before);
                    assertThat(word.span().endMs()).isLessThanOrEqualTo(sound.durationMs());
                    before = word.span().endMs();
                }
            }
        }
        assertThat(WordTimes.of("– ★", clip.sound())).isEmpty();
        assertThat(WordTimes.of("Look – there", clip.sound()).get(1).span().durationMs())
                .isZero();
    }
}
