package prolalia.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Leveller;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;

/** A take of which the original and the edits alone are known. */
class TakeAnalysisTest {
    private static final String WORDS = "A bean sleeps in the dry soil until the rain comes.";
    private static final Path VOICE = Path.of("../app/src/main/resources/demo/bean-1b.ogg");

    @TempDir
    private Path folder;

    private Path original;
    private long wholeMs;

    @BeforeEach
    void write() throws Exception {
        Sound voice = SoundReader.decode(VOICE, 60_000).sound();
        wholeMs = voice.durationMs();
        original = folder.resolve("original.flac");
        SoundWriter.writeFlac(voice, original);
    }

    @Test
    void theTakeIsMadeOfItAsItsEditsSayAndIsTheSameWhenItIsThere() throws Exception {
        Path mp3 = folder.resolve("take.mp3");
        Span trim = new Span(100, wholeMs - 100);
        List<Edit> edits = List.of(new Edit.Cut(new Span(1000, 1500)), new Edit.Gain(-4));
        TakeAnalysis made = TakeAnalysis.listen(original, mp3, false, trim, edits, WORDS, 600_000);
        assertThat(made.originalMs()).isEqualTo(wholeMs);
        assertThat(made.heard().durationMs()).isCloseTo(wholeMs - 700, within(40L));
        assertThat(made.loudnessLufs()).isCloseTo(Leveller.TARGET_LUFS - 4, within(0.8));
        TakeAnalysis there = TakeAnalysis.listen(original, mp3, true, trim, edits, WORDS, 600_000);
        assertThat(there.heard().durationMs()).isCloseTo(made.heard().durationMs(), within(60L));
        assertThat(there.loudnessLufs()).isCloseTo(made.loudnessLufs(), within(0.5));
        assertThat(there.gainDb()).isCloseTo(made.gainDb(), within(1.0));
        assertThat(there.peaks().values().length).isCloseTo(made.peaks().values().length, within(4));
    }

    @Test
    void theSoundCheckListensToTheWholeRecording() throws Exception {
        Path mp3 = folder.resolve("take.mp3");
        Span all = new Span(0, wholeMs);
        assertThat(TakeAnalysis.listen(original, mp3, false, all, List.of(), WORDS, 600_000)
                        .findings())
                .isEmpty();
        assertThat(TakeAnalysis.listen(original, mp3, true, all, List.of(), WORDS.repeat(5), 600_000)
                        .findings())
                .extracting(Finding::kind)
                .contains(Finding.Kind.MUCH_SHORTER);
    }

    @Test
    void whatLeavesNothingOrIsNoSoundIsNoTake() throws Exception {
        Path mp3 = folder.resolve("take.mp3");
        Span all = new Span(0, wholeMs);
        assertThatThrownBy(() -> TakeAnalysis.listen(
                        original, mp3, false, all, List.of(new Edit.Cut(new Span(0, wholeMs))), WORDS, 600_000))
                .isInstanceOf(IllegalArgumentException.class);
        // Ends beyond the recording are those of the recording.
        assertThat(TakeAnalysis.listen(original, mp3, false, new Span(0, wholeMs * 9), List.of(), WORDS, 600_000)
                        .heard()
                        .durationMs())
                .isCloseTo(wholeMs, within(40L));
        Path text = Files.writeString(folder.resolve("a.flac"), "no sound");
        assertThatThrownBy(() -> TakeAnalysis.listen(text, mp3, false, all, List.of(), WORDS, 600_000))
                .isInstanceOf(UnreadableSoundException.class);
    }
}
