package prolalia.app.attack;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import prolalia.app.web.Visitor;

/** Many wait for what somebody says next, and many read a byte at a time what they asked for: nobody else waits for them. */
final class Idlers {
    private static final int SMALLEST_BUFFER_BYTES = 1_024;
    private static final long LONGEST_MS = 500;

    private Idlers() {}

    static Row run(Target target, int polls, int readers, int seconds) throws Exception {
        Visitor ines = target.ines();
        String lesson = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        String line = Visitor.first(ines.page("/lessons/" + lesson), "data-line=\"([^\"]+)\"");
        String phone = Visitor.first(
                Visitor.text(ines.form("/lessons/" + lesson + "/read/phone", "line", line)), "/phone/([\\w-]+)");
        String link = ines.linkTo(lesson);
        String picture = Visitor.first(new Visitor(target.base).page(link), "(/l/[^\"]+/picture/[0-9a-f]+)");
        List<Socket> idle = new ArrayList<>();
        try {
            for (int i = 0; i < polls; i++) {
                idle.add(asks(target, "/phone/" + phone + "/messages?after=1000000"));
            }
            List<Socket> reading = new ArrayList<>();
            for (int i = 0; i < readers; i++) {
                reading.add(asks(target, picture));
            }
            idle.addAll(reading);
            return PagesMeanwhile.of(target, seconds, () -> {
                        for (Socket each : reading) {
                            readByte(each);
                        }
                    })
                    .row(
                            "idlers",
                            polls + " waiting polls and " + readers + " slow readers for " + seconds + " s",
                            LONGEST_MS);
        } finally {
            for (Socket socket : idle) {
                socket.close();
            }
        }
    }

    private static Socket asks(Target target, String path) throws IOException {
        Socket socket = new Socket();
        socket.setReceiveBufferSize(SMALLEST_BUFFER_BYTES);
        socket.connect(new InetSocketAddress("127.0.0.1", target.port()));
        socket.getOutputStream()
                .write(("GET " + path + " HTTP/1.1\r\nHost: localhost\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private static void readByte(Socket socket) throws IOException {
        InputStream in = socket.getInputStream();
        if (in.available() > 0) {
            in.read();
        }
    }
}
