package prolalia.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.sound.LoudnessMeter;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.media.LongRecording.Outline;

class LongRecordingTest {
    @TempDir
    static Path folder;

    private static Path speech;
    private static Sound decoded;

    @BeforeAll
    static void unpack() throws Exception {
        speech = folder.resolve("speech.ogg");
        try (InputStream in = LongRecordingTest.class.getResourceAsStream("speech.ogg")) {
            Files.copy(in, speech);
        }
        decoded = SoundReader.decode(speech, 600_000).sound();
    }

    private static Outline read(Path file, long longestMs, Path flac) throws Exception {
        return LongRecording.read(file, longestMs, flac, share -> {});
    }

    @Test
    void oneReadingGivesTheOutlineTheSpeechAndTheWholeAsFlac() throws Exception {
        Path flac = folder.resolve("whole.flac");
        List<Double> shares = new ArrayList<>();
        Outline outline = LongRecording.read(speech, 600_000, flac, shares::add);
        assertThat(outline.durationMs()).isEqualTo(decoded.durationMs());
        assertThat(outline.magnitudes()).hasSize((int) Math.ceil(decoded.durationMs() / 20.0));
        assertThat(outline.pieces())
                .isNotEmpty()
                .allSatisfy(piece -> assertThat(piece.endMs()).isLessThanOrEqualTo(outline.durationMs() + 20));
        assertThat(outline.complete()).isTrue();
        assertThat(outline.truncated()).isFalse();
        assertThat(outline.secondVoice()).isEmpty();
        assertThat(shares).isSorted();
        assertThat(shares.get(shares.size() - 1)).isGreaterThan(0.9);
        Sound whole = SoundReader.decode(flac, 600_000).sound();
        assertThat(LoudnessMeter.ofMono(whole)).isEqualTo(LoudnessMeter.ofMono(decoded), within(0.01));
    }

    @Test
    void stretchesAreTakenOutInOnePassEvenWhereTheyOverlapOrReachBeyondTheEnd() throws Exception {
        long end = decoded.durationMs();
        List<Span> spans =
                List.of(new Span(0, 300), new Span(200, 900), new Span(250, 260), new Span(end - 400, end + 5_000));
        Sound[] taken = new Sound[spans.size()];
        LongRecording.slices(speech, spans, (index, sound) -> taken[index] = sound);
        for (int i = 0; i < 3; i++) {
            assertThat(taken[i].samples()).isEqualTo(decoded.slice(spans.get(i)).samples());
        }
        assertThat(taken[3].durationMs()).isBetween(380L, 420L);
        LongRecording.slices(speech, List.of(), (index, sound) -> {
            throw new AssertionError("nothing was asked for");
        });
    }

    @Test
    void aFailureOfTheTakerReachesTheCaller() {
        assertThatThrownBy(() -> LongRecording.slices(speech, List.of(new Span(0, 100)), (index, sound) -> {
                    throw new IOException("full");
                }))
                .isInstanceOf(IOException.class)
                .hasMessage("full");
    }

    @Test
    void whatIsLongerThanTheLongestIsNotReadToItsEnd() throws Exception {
        Outline outline = read(speech, 500, folder.resolve("short.flac"));
        assertThat(outline.complete()).isFalse();
        assertThat(outline.durationMs()).isLessThan(1_500);
    }

    @Test
    void whatIsNoSoundSaysWhy() throws Exception {
        Path words = Files.writeString(folder.resolve("words.mp3"), "hello");
        assertThatThrownBy(() -> read(words, 1_000, folder.resolve("x.flac")))
                .isInstanceOf(UnreadableSoundException.class);
        Path empty = Files.createFile(folder.resolve("empty.wav"));
        assertThatThrownBy(() -> read(empty, 1_000, folder.resolve("y.flac")))
                .isInstanceOf(UnreadableSoundException.class);
    }
}
