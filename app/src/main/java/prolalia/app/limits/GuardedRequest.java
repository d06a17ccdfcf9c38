package prolalia.app.limits;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.tomcat.util.http.Parameters;
import prolalia.app.platform.TooSlowException;

/**
 * A request whose body is watched while it comes in. A form is read here, whole and before anybody asks for its fields, since the
 * server itself would read it without looking at the time.
 */
final class GuardedRequest extends HttpServletRequestWrapper {
    private final SlowBodyLimit limit;
    private ServletInputStream stream;
    private byte[] whole;
    private Map<String, String[]> parameters;

    GuardedRequest(HttpServletRequest request, SlowBodyLimit limit) {
        super(request);
        this.limit = limit;
    }

    /** It is larger than it may be. */
    static final class TooLargeException extends IOException {
        private static final long serialVersionUID = 1;
    }

    /** @param isForm whether its fields are asked for as parameters */
    void readWhole(int largest, boolean isForm) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        byte[] buffer = new byte[8192];
        ServletInputStream in = watched();
        for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
            bytes.write(buffer, 0, read);
            if (bytes.size() > largest) {
                throw new TooLargeException();
            }
        }
        whole = bytes.toByteArray();
        if (isForm) {
            readFields();
        }
    }

    private void readFields() {
        Parameters read = new Parameters();
        read.setLimit(50_000);
        read.setCharset(StandardCharsets.UTF_8);
        read.processParameters(whole.clone(), 0, whole.length);
        Map<String, String[]> all = new LinkedHashMap<>(super.getParameterMap());
        for (String name : Collections.list(read.getParameterNames())) {
            all.merge(
                    name,
                    read.getParameterValues(name),
                    (before, after) ->
                            Stream.concat(Stream.of(before), Stream.of(after)).toArray(String[]::new));
        }
        parameters = all;
    }

    /** Reads what nobody wanted, so that the connection can go on; a little of it. */
    void drain(long most) {
        if (whole != null) {
            return;
        }
        byte[] buffer = new byte[1 << 16];
        long left = most;
        try {
            ServletInputStream in = watched();
            for (int read = in.read(buffer); read >= 0 && left > 0; read = in.read(buffer)) {
                left -= read;
            }
        } catch (IOException | IllegalStateException gone) {
            // Whoever sends it isn't there any more, or reads its answer already.
        }
    }

    private ServletInputStream watched() throws IOException {
        if (stream == null) {
            stream = new Watched(super.getInputStream());
        }
        return stream;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        return whole == null ? watched() : new Held(whole);
    }

    @Override
    public BufferedReader getReader() throws IOException {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }

    @Override
    public String getParameter(String name) {
        String[] values = getParameterValues(name);
        return values == null ? null : values[0];
    }

    @Override
    public String[] getParameterValues(String name) {
        return getParameterMap().get(name);
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return Collections.enumeration(getParameterMap().keySet());
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return parameters == null ? super.getParameterMap() : Collections.unmodifiableMap(parameters);
    }

    private final class Watched extends ServletInputStream {
        private final ServletInputStream in;
        private final long startedAt = System.nanoTime();
        private long bytes;

        Watched(ServletInputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
        }

        @Override
        public int read(byte[] target, int offset, int length) throws IOException {
            try {
                int read = in.read(target, offset, length);
                bytes += Math.max(0, read);
                if (read >= 0) {
                    limit.check(startedAt, bytes);
                }
                return read;
            } catch (SocketTimeoutException silent) {
                throw new TooSlowException();
            }
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }

    private static final class Held extends ServletInputStream {
        private final ByteArrayInputStream bytes;

        Held(byte[] content) {
            bytes = new ByteArrayInputStream(content);
        }

        @Override
        public int read() {
            return bytes.read();
        }

        @Override
        public int read(byte[] target, int offset, int length) {
            return bytes.read(target, offset, length);
        }

        @Override
        public boolean isFinished() {
            return bytes.available() == 0;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("It is all here");
        }
    }
}
