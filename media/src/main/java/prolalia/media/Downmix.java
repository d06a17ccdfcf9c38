package prolalia.media;

import java.io.IOException;
import java.nio.file.Path;

/**
 * How channels become one: by their mean, or, where one of them is wired the wrong way round or dead so that the mean has
 * little of what was said, by the better channel alone.
 */
final class Downmix {
    /** So much is listened to for it. */
    private static final int LOOK_SECONDS = 30;

    /** Two microphones that hear the same give a mean as strong as themselves; two that hear different things half of it. */
    private static final double LEAST_SHARE = 0.3;

    private static final int MEAN = -1;

    private final Path file;
    private Integer choice;

    Downmix(Path file) {
        this.file = file;
    }

    /** Writes one channel made of all to a place in {@code mono}. */
    void mix(float[][] channels, int count, float[] mono, int at) {
        int one = channels.length == 1 ? 0 : choice();
        if (one != MEAN) {
            System.arraycopy(channels[Math.min(one, channels.length - 1)], 0, mono, at, count);
            return;
        }
        for (int i = 0; i < count; i++) {
            float sum = 0;
            for (float[] each : channels) {
                sum += each[i];
            }
            mono[at + i] = sum / channels.length;
        }
    }

    /** Listened to once, when the first block shows that there are several channels. */
    private int choice() {
        if (choice == null) {
            Listener listener = new Listener();
            try {
                SoundReader.read(file, 0, listener);
                choice = listener.best();
            } catch (IOException | UnreadableSoundException unreadable) {
                choice = MEAN;
            }
        }
        return choice;
    }

    private static final class Listener implements SoundReader.Sink {
        private double[] energy = new double[0];
        private double mean;
        private long heard;

        @Override
        public boolean take(float[][] channels, int count, int sampleRate) {
            if (energy.length != channels.length) {
                energy = new double[channels.length];
            }
            for (int i = 0; i < count; i++) {
                double sum = 0;
                for (int c = 0; c < channels.length; c++) {
                    energy[c] += (double) channels[c][i] * channels[c][i];
                    sum += channels[c][i];
                }
                mean += sum / channels.length * sum / channels.length;
            }
            heard += count;
            return heard < (long) LOOK_SECONDS * sampleRate;
        }

        int best() {
            int best = MEAN;
            double most = 0;
            for (int c = 0; c < energy.length; c++) {
                if (energy[c] > most) {
                    most = energy[c];
                    best = c;
                }
            }
            return mean < LEAST_SHARE * most ? best : MEAN;
        }
    }
}
