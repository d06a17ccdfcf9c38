package prolalia.app.attack;

import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;

/** Connections that send a body a byte at a time, to the sign-in and to where nobody is signed in; others must not notice. */
final class Drips {
    /** Somebody who waits for so long takes the server for dead. */
    private static final long SHUT_OUT_MS = 5_000;

    private Drips() {}

    /** How a connection is opened. */
    private interface Way {
        Socket open(int number) throws IOException;
    }

    static Row run(Target target, int connections, int seconds) throws Exception {
        return run(target, connections, seconds, "connections that drip", number -> open(target, number));
    }

    /** One child who came in through her door sends a spoken answer by many connections, each a few bytes a second. */
    static Row ofOneChild(Target target, int connections, int seconds) throws Exception {
        Pupils pupils = Pupils.of(target, "Drips", 1);
        String given = pupils.given();
        String cookies = pupils.child(0).cookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(Collectors.joining("; "));
        return run(target, connections, seconds, "connections of one child that drip", number -> {
            Socket socket = new Socket("127.0.0.1", target.port());
            String chunk = "/my/" + given + "/recordings/" + UUID.randomUUID() + "/chunks/0?line=" + UUID.randomUUID();
            socket.getOutputStream()
                    .write(("PUT " + chunk + " HTTP/1.1\r\nHost: localhost\r\nContent-Length: 900000\r\nCookie: "
                                    + cookies + "\r\nContent-Type: audio/webm\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            return socket;
        });
    }

    private static Row run(Target target, int connections, int seconds, String what, Way way) throws Exception {
        List<Socket> sockets = new ArrayList<>();
        try {
            return PagesMeanwhile.of(target, seconds, () -> {
                        sockets.removeIf(Socket::isClosed);
                        while (sockets.size() < connections) {
                            sockets.add(way.open(sockets.size()));
                        }
                        for (Socket socket : sockets) {
                            drip(socket);
                        }
                    })
                    .row("drips", connections + " " + what + " for " + seconds + " s", SHUT_OUT_MS);
        } finally {
            for (Socket socket : sockets) {
                socket.close();
            }
        }
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
