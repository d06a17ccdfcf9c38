package prolalia.media;

import java.io.Closeable;
import java.io.IOException;
import java.nio.FloatBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacv.FFmpegFrameGrabber;
import org.bytedeco.javacv.Frame;
import org.bytedeco.javacv.FrameGrabber;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;

/**
 * Reads the sound of a file: MP3, M4A/AAC, WAV, OGG/Opus, FLAC, WebM and what else FFmpeg knows; of a video, its sound.
 *
 * <p>Stateless and thread-safe.
 */
public final class SoundReader {
    /** No honest file makes FFmpeg ask for more in one piece. */
    private static final long LARGEST_ALLOCATION_BYTES = 256L << 20;

    static {
        // A hostile file makes FFmpeg talk at length; what matters reaches the caller as a reason.
        avutil.av_log_set_level(avutil.AV_LOG_QUIET);
        avutil.av_max_alloc(LARGEST_ALLOCATION_BYTES);
    }

    /** No stream has this number: pictures in a file are passed over, whatever they are coded in. */
    private static final int NO_STREAM = 9_999;

    /** A container's own statement of its length is off by a frame or two; by more than this, the end is missing. */
    private static final long MISSING_MS = 500;

    private static final double MISSING_SHARE = 0.02;

    private static final AVRational MILLISECONDS = new AVRational().num(1).den(1000);

    private static final int LOWEST_RATE = 4_000;
    private static final int HIGHEST_RATE = 384_000;
    private static final int MOST_CHANNELS = 8;

    /**
     * FLAC holds 65,535 equal samples in a frame of about 11 bytes (RFC 9639, 9.1.1 and 9.2.3); nothing holds more in fewer.
     */
    private static final long MOST_SAMPLES_A_BYTE = 8_192;

    private SoundReader() {}

    /**
     * A decoded file.
     *
     * @param sound mono at 48 kHz, the mean of the file's channels
     * @param declaredMs the length that the container states, -1 when it states none
     * @param complete false when reading stopped at the longest length asked for
     * @param cutOff whether the file has fewer bytes than it states
     */
    public record Decoded(Sound sound, long declaredMs, boolean complete, boolean cutOff) {
        /** Whether the file ends well before its stated end. */
        public boolean truncated() {
            return complete && (cutOff || endsEarly(sound.durationMs(), declaredMs));
        }
    }

    /**
     * A measured file.
     *
     * @param channels of the file
     * @param sampleRate of the file
     * @param pieces of its speech, fine ones
     * @param secondVoice where another voice than the first one speaks
     */
    public record Measured(
            int channels, int sampleRate, Measurement measurement, List<Span> pieces, Optional<Span> secondVoice) {}

    /**
     * Decodes to mono at 48 kHz.
     *
     * @param longestMs reading stops soon after this length, so that a file of many hours costs no memory
     * @throws UnreadableSoundException when there is no sound to be read
     */
    public static Decoded decode(Path file, long longestMs) throws IOException, UnreadableSoundException {
        MonoCollector collector = new MonoCollector(longestMs, new Downmix(file));
        long declaredMs = read(file, Sound.TAKE_SAMPLE_RATE, collector);
        return new Decoded(collector.sound(), declaredMs, !collector.full(), Containers.statesMoreThanItHas(file));
    }

    /**
     * Measures a file as it is, at its own rate and with its own channels, in constant memory.
     *
     * @throws UnreadableSoundException when there is no sound to be read
     */
    public static Measured measure(Path file) throws IOException, UnreadableSoundException {
        SoundMeter[] meter = new SoundMeter[1];
        int[] shape = new int[2];
        read(file, 0, (channels, count, sampleRate) -> {
            if (meter[0] == null) {
                shape[0] = channels.length;
                shape[1] = sampleRate;
                meter[0] = new SoundMeter(sampleRate, channels.length);
            }
            meter[0].add(channels, count);
            return true;
        });
        return new Measured(shape[0], shape[1], meter[0].measurement(), meter[0].pieces(), meter[0].secondVoice());
    }

    static boolean endsEarly(long durationMs, long declaredMs) {
        long missing = declaredMs - durationMs;
        return missing > MISSING_MS && missing > MISSING_SHARE * declaredMs;
    }

    /** Takes decoded blocks; answers whether it wants more. */
    interface Sink {
        /** @param declaredMs the length that the container states, -1 when it states none */
        default void begins(long declaredMs) {}

        boolean take(float[][] channels, int count, int sampleRate);
    }

    /**
     * Decodes a file into a sink; answers the length that its container states, -1 when it states none.
     *
     * @param sampleRate to be decoded to, 0 for the file's own
     */
    static long read(Path file, int sampleRate, Sink sink) throws IOException, UnreadableSoundException {
        if (Files.size(file) == 0) {
            throw new UnreadableSoundException(Refusal.Reason.EMPTY, null);
        }
        boolean anySound = false;
        try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber("file:" + file.toAbsolutePath())) {
            grabber.setOption("format_whitelist", Containers.WHITELIST);
            grabber.setOption("protocol_whitelist", "file");
            grabber.setSampleMode(FrameGrabber.SampleMode.FLOAT);
            grabber.setVideoStream(NO_STREAM);
            grabber.start();
            long mostSamples = Math.max(1, Files.size(file)) * MOST_SAMPLES_A_BYTE;
            checkRate(grabber.getFormatContext());
            long samples = 0;
            sink.begins(declaredMs(grabber.getFormatContext()));
            float[][] block = new float[grabber.getAudioChannels()][0];
            try (AtOneRate atOneRate = new AtOneRate(sampleRate, sink)) {
                for (Frame frame = grabber.grabSamples(); frame != null; frame = grabber.grabSamples()) {
                    int count = unpack(frame, block);
                    anySound |= count > 0;
                    samples += count;
                    if (samples > mostSamples) {
                        throw new UnreadableSoundException(Refusal.Reason.IMPOSSIBLE, null);
                    }
                    if (!atOneRate.take(block, count, grabber.getSampleRate())) {
                        break;
                    }
                }
                atOneRate.end();
            }
            if (anySound) {
                return declaredMs(grabber.getFormatContext());
            }
        } catch (FrameGrabber.Exception | NullPointerException unreadable) {
            // JavaCV finds nothing where FFmpeg was not given what a damaged file made it ask for.
            throw new UnreadableSoundException(reasonFor(file), unreadable);
        }
        throw new UnreadableSoundException(reasonFor(file), null);
    }

    /** The length that a file states for its sound; that of a video's pictures says nothing about it. */
    private static long declaredMs(AVFormatContext file) {
        boolean pictures = false;
        for (int i = 0; i < file.nb_streams(); i++) {
            AVStream stream = file.streams(i);
            int type = stream.codecpar().codec_type();
            pictures |= type == avutil.AVMEDIA_TYPE_VIDEO
                    && (stream.disposition() & avformat.AV_DISPOSITION_ATTACHED_PIC) == 0;
            if (type == avutil.AVMEDIA_TYPE_AUDIO && stream.duration() != avutil.AV_NOPTS_VALUE) {
                return avutil.av_rescale_q(stream.duration(), stream.time_base(), MILLISECONDS);
            }
        }
        return pictures || file.duration() == avutil.AV_NOPTS_VALUE ? -1 : file.duration() / 1000;
    }

    /** Before a single sample is decoded: resampling what states 1 Hz would take 48,000 times its memory. */
    private static void checkRate(AVFormatContext file) throws UnreadableSoundException {
        for (int i = 0; i < file.nb_streams(); i++) {
            AVCodecParameters stream = file.streams(i).codecpar();
            if (stream.codec_type() == avutil.AVMEDIA_TYPE_AUDIO) {
                checked(stream.sample_rate());
                int channels = stream.ch_layout().nb_channels();
                if (channels < 1 || channels > MOST_CHANNELS) {
                    throw new UnreadableSoundException(Refusal.Reason.IMPOSSIBLE, null);
                }
            }
        }
    }

    /** A stream may go over to another rate than its container states. */
    private static int checked(int rate) throws UnreadableSoundException {
        if (rate < LOWEST_RATE || rate > HIGHEST_RATE) {
            throw new UnreadableSoundException(Refusal.Reason.IMPOSSIBLE, null);
        }
        return rate;
    }

    private static Refusal.Reason reasonFor(Path file) throws IOException {
        if (!Containers.looksLikeOne(file)) {
            return Refusal.Reason.NOT_SOUND;
        }
        return hasPicturesAlone(file) ? Refusal.Reason.NO_SOUND_TRACK : Refusal.Reason.DAMAGED;
    }

    private static boolean hasPicturesAlone(Path file) {
        try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber("file:" + file.toAbsolutePath())) {
            grabber.setOption("format_whitelist", Containers.WHITELIST);
            grabber.setOption("protocol_whitelist", "file");
            grabber.start();
            return grabber.hasVideo() && !grabber.hasAudio();
        } catch (FrameGrabber.Exception unreadable) {
            return false;
        }
    }

    /** Copies a frame's samples into one array a channel, grown as needed; answers how many there are in each. */
    private static int unpack(Frame frame, float[][] channels) {
        boolean planar = frame.samples.length > 1;
        int count = ((FloatBuffer) frame.samples[0]).remaining() / (planar ? 1 : channels.length);
        for (int c = 0; c < channels.length; c++) {
            if (channels[c].length < count) {
                channels[c] = new float[count];
            }
            FloatBuffer samples = (FloatBuffer) frame.samples[planar ? c : 0];
            int at = samples.position() + (planar ? 0 : c);
            int step = planar ? 1 : channels.length;
            if (step == 1) {
                samples.get(at, channels[c], 0, count);
                continue;
            }
            for (int i = 0; i < count; i++, at += step) {
                channels[c][i] = samples.get(at);
            }
        }
        return count;
    }

    /** Brings what is decoded to the rate that is wanted, whatever rate it has and goes over to. */
    private static final class AtOneRate implements Closeable {
        private final int wanted;
        private final Sink sink;
        private int rate;
        private final List<Resampler> resamplers = new ArrayList<>();
        private boolean enough;

        /** @param wanted 0: as it is */
        AtOneRate(int wanted, Sink sink) {
            this.wanted = wanted;
            this.sink = sink;
        }

        boolean take(float[][] channels, int count, int sampleRate) throws IOException, UnreadableSoundException {
            if (count == 0) {
                return !enough;
            }
            if (wanted == 0 || sampleRate == wanted && resamplers.isEmpty()) {
                enough = !sink.take(channels, count, sampleRate);
                return !enough;
            }
            if (sampleRate != rate) {
                end();
                close();
                rate = sampleRate;
                for (int c = 0; c < channels.length; c++) {
                    resamplers.add(new Resampler(checked(sampleRate), wanted));
                }
            }
            float[][] resampled = new float[channels.length][];
            for (int c = 0; c < channels.length; c++) {
                resampled[c] = resamplers.get(c).next(channels[c], 0, count);
            }
            return give(resampled);
        }

        /** What is held back still. */
        void end() throws IOException {
            if (!resamplers.isEmpty() && !enough) {
                float[][] rest = new float[resamplers.size()][];
                for (int c = 0; c < rest.length; c++) {
                    rest[c] = resamplers.get(c).rest();
                }
                give(rest);
            }
        }

        private boolean give(float[][] channels) {
            if (channels[0].length > 0) {
                enough = !sink.take(channels, channels[0].length, wanted);
            }
            return !enough;
        }

        @Override
        public void close() {
            resamplers.forEach(Resampler::close);
            resamplers.clear();
        }
    }

    /** Collects one channel made of all. */
    private static final class MonoCollector implements Sink {
        /** What a resampler gives besides. */
        private static final int MARGIN = 4_096;

        private final long longest;
        private final Downmix downmix;
        private float[] samples = new float[Sound.TAKE_SAMPLE_RATE];
        private int size;

        MonoCollector(long longestMs, Downmix downmix) {
            this.downmix = downmix;
            // A quarter second beyond, so that the length shows that it is too long.
            longest = Math.min(Integer.MAX_VALUE - 64L, (longestMs + 250) * Sound.TAKE_SAMPLE_RATE / 1000);
        }

        /** Of what it states no more is believed than this; longer ones grow as they come. */
        private static final long BELIEVED_MS = 900_000;

        @Override
        public void begins(long declaredMs) {
            long believed = Math.min(declaredMs, BELIEVED_MS) * Sound.TAKE_SAMPLE_RATE / 1000 + MARGIN;
            if (declaredMs > 0 && believed <= longest + MARGIN) {
                samples = new float[(int) believed];
            }
        }

        @Override
        public boolean take(float[][] channels, int count, int sampleRate) {
            if (samples.length - size < count) {
                long grown = Math.max(size + (long) count, Math.min(longest + count, size * 2L));
                samples = Arrays.copyOf(samples, (int) Math.min(Integer.MAX_VALUE - 64L, grown));
            }
            downmix.mix(channels, count, samples, size);
            size += count;
            return !full();
        }

        boolean full() {
            return size >= longest;
        }

        Sound sound() {
            float[] exact = size == samples.length ? samples : Arrays.copyOf(samples, size);
            samples = exact;
            return new Sound(exact, Sound.TAKE_SAMPLE_RATE);
        }
    }
}
