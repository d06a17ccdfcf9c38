package prolalia.media;

import java.io.Closeable;
import java.io.IOException;
import java.nio.FloatBuffer;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacv.FFmpegFrameRecorder;
import org.bytedeco.javacv.FrameRecorder;
import prolalia.core.sound.Sound;

/** Writes mono sound to a file. Stateless and thread-safe. */
public final class SoundWriter {
    static {
        avutil.av_log_set_level(avutil.AV_LOG_QUIET);
    }

    /** In Hz, one that MPEG-1 Layer III knows: speech is whole to 15 kHz, and encoding takes a quarter less than at 48 kHz. */
    static final int MP3_SAMPLE_RATE = 32_000;

    /** LAME's quality of variable bit rate: speech in mono comes out at 60 to 90 kbit/s. */
    private static final double MP3_QUALITY = 3;

    /** LAME's noise shaping, 0 best to 9 fastest: at this rate the difference can't be heard in speech. */
    private static final String FAST_ALGORITHM = "7";

    private static final int BLOCK = 65_536;

    private SoundWriter() {}

    /** MP3, mono, variable bit rate, for listening. */
    public static void writeMp3(Sound sound, Path file) throws IOException {
        float[] samples = sound.samples();
        try (Resampler resampler = new Resampler(sound.sampleRate(), MP3_SAMPLE_RATE);
                Stream stream =
                        new Stream(file, MP3_SAMPLE_RATE, "mp3", avcodec.AV_CODEC_ID_MP3, avutil.AV_SAMPLE_FMT_FLTP)) {
            for (int from = 0; from < samples.length; from += BLOCK) {
                stream.add(resampler.next(samples, from, Math.min(BLOCK, samples.length - from)));
            }
            stream.add(resampler.rest());
        }
    }

    /** FLAC, mono, 16 bits: the original for later edits. */
    public static void writeFlac(Sound sound, Path file) throws IOException {
        write(sound, file, "flac", avcodec.AV_CODEC_ID_FLAC, avutil.AV_SAMPLE_FMT_S16);
    }

    /** WAV, mono, 16 bits. */
    public static void writeWav(Sound sound, Path file) throws IOException {
        write(sound, file, "wav", avcodec.AV_CODEC_ID_PCM_S16LE, avutil.AV_SAMPLE_FMT_S16);
    }

    /** Begins a FLAC file, mono, 16 bits, that is written block by block. */
    static Stream flacStream(Path file, int sampleRate) throws IOException {
        return new Stream(file, sampleRate, "flac", avcodec.AV_CODEC_ID_FLAC, avutil.AV_SAMPLE_FMT_S16);
    }

    private static void write(Sound sound, Path file, String format, int codec, int sampleFormat) throws IOException {
        try (Stream stream = new Stream(file, sound.sampleRate(), format, codec, sampleFormat)) {
            float[] samples = sound.samples();
            for (int from = 0; from < samples.length; from += BLOCK) {
                stream.add(samples, from, Math.min(BLOCK, samples.length - from));
            }
        }
    }

    /** A file that is being written. */
    static final class Stream implements Closeable {
        private final FFmpegFrameRecorder recorder;
        private final int sampleRate;
        private final String format;

        private Stream(Path file, int sampleRate, String format, int codec, int sampleFormat) throws IOException {
            this.sampleRate = sampleRate;
            this.format = format;
            recorder = new FFmpegFrameRecorder("file:" + file.toAbsolutePath(), 1);
            recorder.setFormat(format);
            recorder.setAudioCodec(codec);
            recorder.setSampleFormat(sampleFormat);
            recorder.setSampleRate(sampleRate);
            if (codec == avcodec.AV_CODEC_ID_MP3) {
                recorder.setAudioQuality(MP3_QUALITY);
                recorder.setAudioOption("compression_level", FAST_ALGORITHM);
            }
            try {
                recorder.start();
            } catch (FrameRecorder.Exception unwritable) {
                throw failure(unwritable);
            }
        }

        void add(float[] samples) throws IOException {
            if (samples.length > 0) {
                add(samples, 0, samples.length);
            }
        }

        void add(float[] samples, int from, int count) throws IOException {
            try {
                // JavaCV reads the array behind a buffer from the buffer's position: a slice would lose its offset.
                recorder.recordSamples(sampleRate, 1, FloatBuffer.wrap(samples, from, count));
            } catch (FrameRecorder.Exception unwritable) {
                throw failure(unwritable);
            }
        }

        @Override
        public void close() throws IOException {
            try {
                recorder.close();
            } catch (FrameRecorder.Exception unwritable) {
                throw failure(unwritable);
            }
        }

        private IOException failure(FrameRecorder.Exception unwritable) {
            return new IOException("FFmpeg could not write " + format, unwritable);
        }
    }
}
