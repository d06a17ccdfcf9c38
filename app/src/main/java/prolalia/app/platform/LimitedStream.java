package prolalia.app.platform;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/** Stops reading with {@link TooLargeException} when more comes than may. */
public final class LimitedStream extends FilterInputStream {
    private long left;

    public LimitedStream(InputStream in, long most) {
        super(in);
        left = most;
    }

    @Override
    public int read() throws IOException {
        int value = super.read();
        count(value < 0 ? 0 : 1);
        return value;
    }

    @Override
    public int read(byte[] bytes, int offset, int length) throws IOException {
        int read = super.read(bytes, offset, length);
        count(read);
        return read;
    }

    private void count(int read) {
        left -= Math.max(0, read);
        if (left < 0) {
            throw new TooLargeException();
        }
    }
}
