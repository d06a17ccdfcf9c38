package prolalia.media;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import prolalia.core.sound.OutlineMeter;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.core.sound.SpeechDetector;
import prolalia.core.sound.SpeechFrames;
import prolalia.core.sound.Voices;

/**
 * Reads recordings of an hour and more without holding them in memory: once to find the speech, once to take lines out.
 *
 * <p>Stateless and thread-safe.
 */
public final class LongRecording {
    /** The time that one value of the outline stands for. */
    public static final int OUTLINE_MS = 20;

    private LongRecording() {}

    /**
     * What is known of a long recording after it was read once.
     *
     * @param magnitudes one byte for each {@link #OUTLINE_MS}, unsigned, 255 is full scale
     * @param pieces of its speech, fine ones
     * @param secondVoice where another voice than the first one speaks
     * @param complete false when reading stopped at the longest length asked for
     * @param truncated whether the file ends well before its stated end
     */
    public record Outline(
            long durationMs,
            byte[] magnitudes,
            List<Span> pieces,
            Optional<Span> secondVoice,
            boolean complete,
            boolean truncated) {}

    /** Takes the sound of one of the spans that were asked for. */
    public interface SliceTaker {
        void take(int index, Sound sound) throws IOException;
    }

    /**
     * Reads a recording whole, in about 6 kB of memory a second.
     *
     * @param longestMs reading stops soon after this length
     * @param flac written with all of it, mono at 48 kHz
     * @param progress told the share that is done, 0 to 1, when the file states its length
     * @throws UnreadableSoundException when there is no sound to be read
     */
    public static Outline read(Path file, long longestMs, Path flac, DoubleConsumer progress)
            throws IOException, UnreadableSoundException {
        int rate = Sound.TAKE_SAMPLE_RATE;
        try (SoundWriter.Stream stream = SoundWriter.flacStream(flac, rate)) {
            OutlineSink sink = new OutlineSink(new Downmix(file), stream, longestMs, progress);
            long declaredMs = SoundReader.read(file, rate, sink);
            boolean complete = sink.durationMs() < longestMs;
            boolean early =
                    Containers.statesMoreThanItHas(file) || SoundReader.endsEarly(sink.durationMs(), declaredMs);
            List<Span> pieces = SpeechDetector.pieces(sink.frames);
            return new Outline(
                    sink.durationMs(),
                    sink.outline.magnitudes(),
                    pieces,
                    Voices.second(sink.frames, pieces),
                    complete,
                    complete && early);
        } catch (UncheckedIOException failure) {
            throw failure.getCause();
        }
    }

    /**
     * Takes stretches out of a recording, reading it once.
     *
     * @param spans in order of their beginnings; they may overlap
     */
    public static void slices(Path file, List<Span> spans, SliceTaker taker)
            throws IOException, UnreadableSoundException {
        if (spans.isEmpty()) {
            return;
        }
        try {
            SliceSink sink = new SliceSink(new Downmix(file), spans, taker);
            SoundReader.read(file, Sound.TAKE_SAMPLE_RATE, sink);
            sink.finish();
        } catch (UncheckedIOException failure) {
            throw failure.getCause();
        }
    }

    private static final class OutlineSink implements SoundReader.Sink {
        private final Downmix downmix;
        private final SoundWriter.Stream stream;
        private final long longestMs;
        private final DoubleConsumer progress;
        private final OutlineMeter outline = new OutlineMeter(Sound.TAKE_SAMPLE_RATE, OUTLINE_MS);
        private final SpeechFrames frames = new SpeechFrames(Sound.TAKE_SAMPLE_RATE);
        private float[] mono = new float[0];
        private long declaredMs;
        private long samples;

        OutlineSink(Downmix downmix, SoundWriter.Stream stream, long longestMs, DoubleConsumer progress) {
            this.downmix = downmix;
            this.stream = stream;
            this.longestMs = longestMs;
            this.progress = progress;
        }

        @Override
        public void begins(long stated) {
            declaredMs = stated;
        }

        @Override
        public boolean take(float[][] channels, int count, int sampleRate) {
            if (mono.length < count) {
                mono = new float[count];
            }
            downmix.mix(channels, count, mono, 0);
            outline.add(mono, count);
            frames.add(mono, count);
            samples += count;
            try {
                stream.add(mono, 0, count);
            } catch (IOException failure) {
                throw new UncheckedIOException(failure);
            }
            if (declaredMs > 0) {
                progress.accept(Math.min(1, (double) durationMs() / declaredMs));
            }
            return durationMs() < longestMs;
        }

        long durationMs() {
            return samples * 1000 / Sound.TAKE_SAMPLE_RATE;
        }
    }

    /** Holds the stretches that have begun and aren't over; there are as many as overlap, mostly one. */
    private static final class SliceSink implements SoundReader.Sink {
        private final Downmix downmix;
        private final List<Span> spans;
        private final SliceTaker taker;
        private final List<Open> open = new ArrayList<>();
        private float[] mono = new float[0];
        private long at;
        private int next;

        private record Open(int index, long from, float[] samples) {}

        SliceSink(Downmix downmix, List<Span> spans, SliceTaker taker) {
            this.downmix = downmix;
            this.spans = spans;
            this.taker = taker;
        }

        @Override
        public boolean take(float[][] channels, int count, int sampleRate) {
            if (mono.length < count) {
                mono = new float[count];
            }
            downmix.mix(channels, count, mono, 0);
            while (next < spans.size() && sample(spans.get(next).startMs()) < at + count) {
                long from = sample(spans.get(next).startMs());
                int length = (int) (sample(spans.get(next).endMs()) - from);
                open.add(new Open(next++, from, new float[length]));
            }
            for (Open each : open) {
                long first = Math.max(at, each.from());
                long last = Math.min(at + count, each.from() + each.samples().length);
                if (last > first) {
                    System.arraycopy(mono, (int) (first - at), each.samples(), (int) (first - each.from()), (int)
                            (last - first));
                }
            }
            at += count;
            for (Open each : List.copyOf(open)) {
                if (each.from() + each.samples().length <= at) {
                    give(each);
                }
            }
            return next < spans.size() || !open.isEmpty();
        }

        /** What reaches beyond the end of the file ends with it. */
        void finish() {
            for (Open each : List.copyOf(open)) {
                open.remove(each);
                int length = (int) Math.max(0, at - each.from());
                give(new Open(each.index(), each.from(), Arrays.copyOf(each.samples(), length)));
            }
        }

        private void give(Open done) {
            open.remove(done);
            try {
                taker.take(done.index(), new Sound(done.samples(), Sound.TAKE_SAMPLE_RATE));
            } catch (IOException failure) {
                throw new UncheckedIOException(failure);
            }
        }

        private static long sample(long ms) {
            return ms * Sound.TAKE_SAMPLE_RATE / 1000;
        }
    }
}
