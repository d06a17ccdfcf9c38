package prolalia.app.attack;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.zip.GZIPInputStream;

/** One browser's connection, as cheap as can be: whoever attacks has the same two processors as the server. */
final class Connection implements Closeable {
    private final Socket socket;
    private final InputStream in;
    private final int port;

    Connection(int port) throws IOException {
        this.port = port;
        socket = new Socket("localhost", port);
        socket.setTcpNoDelay(true);
        in = new BufferedInputStream(socket.getInputStream(), 1 << 16);
    }

    /** @throws IOException also when the answer isn't 200 */
    byte[] get(String path) throws IOException {
        String request = "GET " + path + " HTTP/1.1\r\nHost: localhost:" + port
                + "\r\nAccept-Encoding: gzip, deflate, br, zstd\r\n\r\n";
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        String status = line();
        int length = -1;
        boolean compressed = false;
        for (String header = line(); !header.isEmpty(); header = line()) {
            String lower = header.toLowerCase(Locale.ROOT);
            if (lower.startsWith("content-length:")) {
                length = Integer.parseInt(lower.replaceAll("\\D", ""));
            }
            compressed |= lower.equals("content-encoding: gzip");
        }
        byte[] body = length >= 0 ? exactly(length) : chunks();
        if (!status.contains(" 200")) {
            throw new IOException(status);
        }
        return compressed ? new GZIPInputStream(new ByteArrayInputStream(body)).readAllBytes() : body;
    }

    private byte[] chunks() throws IOException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (int size = Integer.parseInt(line(), 16); size > 0; size = Integer.parseInt(line(), 16)) {
            all.write(exactly(size));
            line();
        }
        line();
        return all.toByteArray();
    }

    private byte[] exactly(int length) throws IOException {
        byte[] body = in.readNBytes(length);
        if (body.length < length) {
            throw new EOFException();
        }
        return body;
    }

    private String line() throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0) {
                throw new EOFException();
            }
            line.append((char) c);
        }
        return line.toString().trim();
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
