package prolalia.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Refusal.Reason;
import prolalia.core.sound.Sound;

class MeasureTest {
    private static final long TEN_MINUTES = 600_000;

    @TempDir
    static Path folder;

    private static Path speech;

    @BeforeAll
    static void unpack() throws IOException {
        speech = folder.resolve("speech.ogg");
        try (InputStream in = MeasureTest.class.getResourceAsStream("speech.ogg")) {
            Files.copy(in, speech);
        }
    }

    /** Makes a file with ffmpeg, from the speech or from one of ffmpeg's own sources. */
    private static Path made(String name, String... arguments) throws IOException {
        Path file = folder.resolve(name);
        String[] all = java.util.Arrays.copyOf(arguments, arguments.length + 1);
        all[arguments.length] = file.toString();
        String said = Ffmpeg.run(all);
        assertThat(file).as(said).isNotEmptyFile();
        return file;
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = ';', textBlock = """
            speech.wav   ; -i SPEECH
            quiet.wav    ; -i SPEECH -af volume=-30dB
            stereo.wav   ; -i SPEECH -af pan=stereo|c0=c0|c1=0.4*c0
            eight.wav    ; -i SPEECH -ar 8000
            speech.mp3   ; -i SPEECH -b:a 64k
            tone.wav     ; -f lavfi -i sine=frequency=997:duration=4 -ar 48000
            high.wav     ; -f lavfi -i aevalsrc=0.5*sin(2*PI*9000*t):duration=4:sample_rate=44100
            noise.flac   ; -f lavfi -i anoisesrc=color=pink:duration=4:amplitude=0.2:seed=3
            surround.wav ; -f lavfi -i aevalsrc=0.1*sin(600*t)|0.1*sin(700*t)|0.2*sin(800*t)|0.3*sin(900*t)|0.1*sin(999*t)|0.1*sin(888*t):c=5.1:duration=4
            """)
    void agreesWithFfmpeg(String name, String arguments) throws Exception {
        Path file = made(
                "reference-" + name,
                arguments.strip().replace("SPEECH", speech.toString()).split(" "));
        double[] reference = Ffmpeg.loudnessAndTruePeak(file);
        Measurement ours = SoundReader.measure(file).measurement();
        // ffmpeg prints one decimal; so half of one is added to the 0.1 LU and 0.2 dB that are promised.
        assertThat(ours.integratedLufs()).isCloseTo(reference[0], within(0.1 + 0.05));
        assertThat(ours.truePeakDbtp()).isCloseTo(reference[1], within(0.2 + 0.05));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"a.mp3", "a.m4a", "a.aac", "a.wav", "a.opus", "a.ogg", "a.flac", "a.webm", "a.mkv", "film.mp4"})
    void everyFormatBecomesATakeOfTheSameLengthAndLoudness(String name) throws Exception {
        Path file = name.startsWith("film")
                ? made(
                        name,
                        "-f",
                        "lavfi",
                        "-i",
                        "testsrc=duration=5:size=320x240:rate=10",
                        "-i",
                        speech.toString(),
                        "-c:v",
                        "mpeg4",
                        "-shortest")
                : name.endsWith("ogg") ? speech : made(name, "-i", speech.toString());
        Path mp3 = folder.resolve(name + ".out.mp3");
        TakeRenderer.Rendering rendering = TakeRenderer.render(file, TEN_MINUTES, false, mp3);
        assertThat(rendering.preparation()).isInstanceOf(PreparedTake.class);
        assertThat(rendering.truncated()).isFalse();
        SoundReader.Measured heard = SoundReader.measure(mp3);
        assertThat(heard.channels()).isEqualTo(1);
        assertThat(heard.measurement().durationMs()).isBetween(4_500L, 5_100L);
        assertThat(heard.measurement().integratedLufs()).isCloseTo(-19, within(0.5));
        assertThat(heard.measurement().truePeakDbtp()).isLessThanOrEqualTo(-1.5);
        double kilobits = Files.size(mp3) * 8.0 / heard.measurement().durationMs();
        assertThat(kilobits).isBetween(50.0, 96.0);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = ';', textBlock = """
            offset.wav   ; -i SPEECH -af volume=-34dB,dcshift=0.3
            opposite.wav ; -i SPEECH -af pan=stereo|c0=c0|c1=-1*c0
            dead.wav     ; -i SPEECH -af pan=stereo|c0=0*c0|c1=c0
            clipped.wav  ; -i SPEECH -af volume=30dB
            quiet8k.wav  ; -i SPEECH -af volume=-30dB -ar 8000 -c:a pcm_s16le
            click.wav    ; -i SPEECH -af volume=-20dB,aeval=val(0)+if(between(t\\,1\\,1.0002)\\,1\\,0)
            """)
    void whateverComesInIsHeardAsLoudAsAllTakesAndNoLouder(String name, String arguments) throws Exception {
        Path file = made(
                name, arguments.strip().replace("SPEECH", speech.toString()).split(" "));
        Path mp3 = folder.resolve(name + ".mp3");
        TakeRenderer.Rendering rendering = TakeRenderer.render(file, TEN_MINUTES, false, mp3);
        assertThat(rendering.preparation()).isInstanceOf(PreparedTake.class);
        Measurement heard = SoundReader.measure(mp3).measurement();
        assertThat(heard.truePeakDbtp()).isLessThanOrEqualTo(-1.5);
        assertThat(heard.integratedLufs()).isCloseTo(-19, within(0.5));
        assertThat(heard.spoken().durationMs())
                .as("all that was said")
                .isCloseTo(SoundReader.measure(speech).measurement().spoken().durationMs(), within(120L));
    }

    @Test
    void whatIsWrittenIsReadAgainSampleBySample() throws Exception {
        Sound recording = SoundReader.decode(speech, TEN_MINUTES).sound();
        Path flac = folder.resolve("again.flac");
        SoundWriter.writeFlac(recording, flac);
        float[] again = SoundReader.decode(flac, TEN_MINUTES).sound().samples();
        assertThat(again).hasSameSizeAs(recording.samples());
        Path mp3 = folder.resolve("again.mp3");
        SoundWriter.writeMp3(recording, mp3);
        float[] heard = SoundReader.decode(mp3, TEN_MINUTES).sound().samples();
        double difference = 0;
        double power = 0;
        for (int i = 0; i < again.length; i++) {
            assertThat(again[i]).isCloseTo(recording.samples()[i], within(1 / 32_000f));
            difference += Math.pow(heard[i] - again[i], 2);
            power += Math.pow(again[i], 2);
        }
        assertThat(10 * Math.log10(power / difference)).isGreaterThan(10);
    }

    private static Reason refusal(Path file) throws IOException {
        return ((Refusal) TakeRenderer.render(file, TEN_MINUTES, false, folder.resolve("none.mp3"))
                        .preparation())
                .reason();
    }

    @Test
    void whatIsNoSoundSaysSo() throws Exception {
        assertThat(refusal(Files.createFile(folder.resolve("empty.wav")))).isEqualTo(Reason.EMPTY);
        assertThat(refusal(Files.writeString(folder.resolve("text.mp3"), "Dear parents,\n".repeat(300))))
                .isEqualTo(Reason.NOT_SOUND);
        Path video = made(
                "silent-film.mp4", "-f", "lavfi", "-i", "testsrc=duration=1:size=160x120:rate=10", "-c:v", "mpeg4");
        assertThat(refusal(video)).isEqualTo(Reason.NO_SOUND_TRACK);
        byte[] m4a = Files.readAllBytes(made("whole.m4a", "-i", speech.toString()));
        Path cut = Files.write(folder.resolve("cut.m4a"), java.util.Arrays.copyOf(m4a, m4a.length / 2));
        assertThat(refusal(cut)).isEqualTo(Reason.DAMAGED);
    }

    @Test
    void aFileThatEndsTooSoonBecomesATakeOfWhatIsThere() throws Exception {
        byte[] wav = Files.readAllBytes(made("whole.wav", "-i", speech.toString()));
        Path cut = Files.write(folder.resolve("cut.wav"), java.util.Arrays.copyOf(wav, wav.length / 2));
        TakeRenderer.Rendering rendering = TakeRenderer.render(cut, TEN_MINUTES, false, folder.resolve("cut.mp3"));
        assertThat(rendering.preparation()).isInstanceOf(PreparedTake.class);
        assertThat(rendering.truncated()).isTrue();
    }

    @Test
    void threeHoursAreRefusedWithTheirLengthWithoutReadingThemAll() throws Exception {
        Path hours = made("hours.flac", "-f", "lavfi", "-i", "sine=frequency=300:duration=10800:sample_rate=8000");
        TakeRenderer.Rendering rendering = TakeRenderer.render(hours, TEN_MINUTES, false, folder.resolve("none.mp3"));
        assertThat(rendering.preparation()).isInstanceOfSatisfying(Refusal.class, refusal -> {
            assertThat(refusal.reason()).isEqualTo(Reason.TOO_LONG);
            assertThat(refusal.durationMs()).isCloseTo(10_800_000L, within(5_000L));
        });
        assertThat(rendering.recording().durationMs()).isLessThan(TEN_MINUTES + 2_000);
    }

    @Test
    void aPlaylistIsNotFollowed() throws Exception {
        Path list = Files.writeString(folder.resolve("list.mp3"), "#EXTM3U\n#EXTINF:5,\n" + speech.toUri() + "\n");
        Path concat = Files.writeString(folder.resolve("concat.mp3"), "ffconcat version 1.0\nfile '" + speech + "'\n");
        assertThat(refusal(list)).isEqualTo(Reason.NOT_SOUND);
        assertThat(refusal(concat)).isEqualTo(Reason.NOT_SOUND);
    }
}
