package prolalia.media;

import java.io.Closeable;
import java.io.IOException;
import java.util.Arrays;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swresample;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.FloatPointer;
import org.bytedeco.javacpp.PointerPointer;

/**
 * One channel of sound at another rate, block by block, by FFmpeg's swresample. It begins and ends when what went in does: JavaCV,
 * left to resample while it encodes, adds some milliseconds of silence. Not thread-safe.
 */
final class Resampler implements Closeable {
    /** What comes of a block besides, from before it. */
    private static final int MARGIN = 4_096;

    private final int fromRate;
    private final int toRate;
    private final SwrContext context = new SwrContext();
    private long in;
    private long out;

    Resampler(int fromRate, int toRate) throws IOException {
        this.fromRate = fromRate;
        this.toRate = toRate;
        try (AVChannelLayout mono = new AVChannelLayout()) {
            avutil.av_channel_layout_default(mono, 1);
            int format = avutil.AV_SAMPLE_FMT_FLTP;
            checked(swresample.swr_alloc_set_opts2(context, mono, format, toRate, mono, format, fromRate, 0, null));
            checked(swresample.swr_init(context));
        }
    }

    /** What comes of some samples, and of those before them that was still held back. */
    float[] next(float[] samples, int from, int count) throws IOException {
        in += count;
        try (FloatPointer block = new FloatPointer(count)) {
            block.put(samples, from, count);
            return converted(block, count);
        }
    }

    /** What was held back: after it, as much has come out as went in. */
    float[] rest() throws IOException {
        float[] rest = converted(null, 0);
        long wanted = Math.round((double) in * toRate / fromRate) - (out - rest.length);
        return Arrays.copyOf(rest, (int) Math.max(0, wanted));
    }

    private float[] converted(FloatPointer block, int count) throws IOException {
        int most = (int) ((long) count * toRate / fromRate) + MARGIN;
        try (FloatPointer made = new FloatPointer(most);
                PointerPointer<FloatPointer> to = channel(made);
                PointerPointer<FloatPointer> from = block == null ? null : channel(block)) {
            int size = checked(swresample.swr_convert(context, to, most, from, count));
            float[] samples = new float[size];
            made.get(samples);
            out += size;
            return samples;
        }
    }

    /** The one channel that there is. */
    private static PointerPointer<FloatPointer> channel(FloatPointer samples) {
        return new PointerPointer<FloatPointer>(1).put(0, samples);
    }

    private static int checked(int answer) throws IOException {
        if (answer < 0) {
            throw new IOException("FFmpeg could not resample: " + answer);
        }
        return answer;
    }

    @Override
    public void close() {
        swresample.swr_free(context);
    }
}
