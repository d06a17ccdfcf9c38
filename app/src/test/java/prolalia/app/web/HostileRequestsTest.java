package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.account.AccountService;

/** Requests that no page of ours sends: they are answered in words, at once, and keep nobody else waiting. */
class HostileRequestsTest extends RunningHouse {
    @Autowired
    private AccountService accounts;

    /** What comes back for bytes as they stand; the connection is left open by us. */
    private String raw(String request) throws Exception {
        URI base = URI.create(base());
        try (Socket socket = new Socket(base.getHost(), base.getPort())) {
            socket.setSoTimeout(10_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            socket.getOutputStream().flush();
            return head(socket.getInputStream());
        }
    }

    private static String head(InputStream in) throws Exception {
        byte[] start = new byte[4096];
        int read = in.read(start);
        return read < 0 ? "" : new String(start, 0, read, StandardCharsets.UTF_8);
    }

    @Test
    void onlyThisServersOwnNamesAreAnsweredAndNoOtherGetsIntoALink() throws Exception {
        String forged = raw("GET /sign-in HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n");
        assertThat(forged).startsWith("HTTP/1.1 421").contains("not under the name", "evil.example");
        assertThat(raw("GET /sign-in HTTP/1.1\r\nHost: <b>\"x\r\nConnection: close\r\n\r\n"))
                .startsWith("HTTP/1.1 400")
                .doesNotContain("<b>");
        assertThat(raw("GET / HTTP/1.1\r\nHost:\r\nConnection: close\r\n\r\n")).startsWith("HTTP/1.1 400");
        Visitor ines = Visitor.ines(base());
        String lesson = ines.lessonOf(ines.newLine("The rain wakes the bean."));
        String path = ines.linkTo(lesson);
        // The port, too, is this server's, whatever a browser says it is.
        String page = raw("GET " + path + " HTTP/1.1\r\nHost: localhost:6666\r\nConnection: close\r\n\r\n");
        assertThat(page).startsWith("HTTP/1.1 200").doesNotContain("6666");
    }

    @Test
    void whereOneWasGoingIsAPageOfThisServerAndNoOther() throws Exception {
        accounts.add("Goes Far", "goes", "right password");
        for (String goal : new String[] {"/library", "//evil.example/", "https://evil.example/", "/\\evil.example"}) {
            Visitor visitor = new Visitor(base());
            visitor.get("/sign-in");
            HttpResponse<byte[]> in =
                    visitor.form("/sign-in", "name", "goes", "password", "right password", "to", goal);
            assertThat(in.uri().getPath()).as(goal).isEqualTo(goal.equals("/library") ? goal : "/");
            assertThat(in.uri().getHost()).isEqualTo("localhost");
        }
        HttpResponse<byte[]> asked = new Visitor(base()).get("/library?words=a%26b");
        assertThat(asked.uri().getPath()).isEqualTo("/sign-in");
        assertThat(Visitor.text(asked)).contains("value=\"/library?words=a%26b\"");
    }

    @Test
    void twoHundredDrippingBodiesShutNobodyOut() throws Exception {
        URI base = URI.create(base());
        List<Socket> drips = new ArrayList<>();
        try {
            for (int i = 0; i < 200; i++) {
                Socket socket = new Socket(base.getHost(), base.getPort());
                String way = List.of(
                                "POST /sign-in",
                                "PUT /recordings/a/chunks/0?line=b",
                                "POST /phone/guessed/recordings/a/end",
                                "PUT /phone/guessed/recordings/a/chunks/0?line=b")
                        .get(i % 4);
                OutputStream out = socket.getOutputStream();
                out.write((way + " HTTP/1.1\r\nHost: localhost\r\nContent-Length: 9000\r\n"
                                + "Content-Type: application/x-www-form-urlencoded\r\n\r\nname=")
                        .getBytes(StandardCharsets.US_ASCII));
                out.flush();
                drips.add(socket);
            }
            long begun = System.nanoTime();
            assertThat(new Visitor(base()).get("/sign-in").statusCode()).isEqualTo(200);
            Visitor.ines(base()).page("/library");
            assertThat((System.nanoTime() - begun) / 1_000_000).as("ms").isLessThan(12_000);
        } finally {
            for (Socket socket : drips) {
                socket.close();
            }
        }
    }

    @Test
    void whatIsNoTextAndNoMessageIsRefusedInWordsAndIsInNoLog() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("the root");
        HttpResponse<byte[]> broken = ines.send(
                "POST",
                "/lessons",
                "application/x-www-form-urlencoded",
                "title=%ff%fe%zz".getBytes(StandardCharsets.UTF_8));
        assertThat(broken.statusCode()).isEqualTo(400);
        assertThat(Visitor.text(broken)).contains("<h1").doesNotContain("Exception");
        assertThat(ines.send("PUT", "/recordings/x/file?line=" + line + "&name=%ff%fe", "audio/wav", new byte[5])
                        .statusCode())
                .isBetween(400, 499);
        assertThat(ines.get("/error").statusCode()).isEqualTo(404);
        String token = Visitor.first(
                Visitor.text(ines.form("/lessons/" + ines.lessonOf(line) + "/read/phone", "line", line)),
                "data-token=\"([^\"]+)\"");
        for (String nothing : new String[] {"null", "{\"kind\":null}", "[]", ""}) {
            assertThat(ines.send(
                                    "POST",
                                    "/read-throughs/" + token + "/messages",
                                    "application/json",
                                    nothing.getBytes(StandardCharsets.UTF_8))
                            .statusCode())
                    .as(nothing)
                    .isBetween(200, 499);
        }
    }

    /** Nothing of this is a failure of the server: 500 is said of none, and each is answered in words. */
    @Test
    void idsThatAreTemplatesAndFormsWithWrongSignsAreNoFailures() throws Exception {
        Visitor ines = Visitor.ines(base());
        String schoolClass = Visitor.newClass(ines, "Whimbrels");
        for (String id : List.of("%7B%22a%22:1%7D", "$%7B7*7%7D", "%7Bx%7D", "..%2f")) {
            for (String deed : List.of("name", "let-in", "move", "leave", "delete", "animal", "accommodation")) {
                assertThat(ines.form(
                                        "/classes/" + schoolClass + "/students/" + id + "/" + deed,
                                        "name",
                                        "x",
                                        "sure",
                                        "x")
                                .statusCode())
                        .as(id + " " + deed)
                        .isBetween(200, 499);
            }
            assertThat(ines.form("/classes/" + schoolClass + "/groups", "name", "{a}", "student", id)
                            .statusCode())
                    .isLessThan(500);
        }
        for (String wrong : List.of("name=%zz", "name=%", "names=Ada%0", "%=%&=")) {
            assertThat(ines.send(
                                    "POST",
                                    "/classes/" + schoolClass + "/students",
                                    "application/x-www-form-urlencoded",
                                    wrong.getBytes(StandardCharsets.US_ASCII))
                            .statusCode())
                    .as(wrong)
                    .isLessThan(500);
        }
        String line = ines.newLine("Which one?");
        assertThat(ines.send("PUT", "/lines/" + line + "/picture", "application/octet-stream", new byte[61 << 20])
                        .statusCode())
                .isBetween(400, 499);
        String lesson = ines.lessonOf(line);
        ines.form("/lessons/" + lesson + "/codes", "made", "LINES");
        String code = Visitor.first(ines.page("/lessons/" + lesson + "/codes"), "href=\"(/c/[A-Z0-9]+)\"");
        ines.form("/lessons/" + lesson + "/codes/hours", "days", "", "from", "00:00", "to", "00:01");
        Visitor child = new Visitor(base());
        for (String of :
                List.of("", "/sound/" + "0".repeat(64) + ".mp3", "/picture/" + "0".repeat(64), "/words/" + line)) {
            assertThat(child.get(code + of, "Accept", "*/*").statusCode())
                    .as(of)
                    .isLessThan(500);
        }
        ines.form("/classes/" + schoolClass + "/remove");
    }

    /** Files that swell when they are opened are refused, by programs that are bounded. */
    @Test
    void filesThatSwellAreRefused() throws Exception {
        Visitor ines = Visitor.ines(base());
        String question = ines.newLine("What is it?");
        String lesson = ines.lessonOf(question);
        String nested = "<?xml version='1.0'?>" + "<a>".repeat(100_000) + "</a>".repeat(100_000);
        HttpResponse<byte[]> deep = ines.send(
                "PUT",
                "/lessons/" + lesson + "/questions/reading?name=deep.xml",
                "application/octet-stream",
                nested.getBytes(StandardCharsets.UTF_8));
        assertThat(deep.statusCode()).isEqualTo(422);
        String schoolClass = Visitor.newClass(ines, "Sanderlings");
        ines.form("/classes/" + schoolClass + "/students", "names", "Ada");
        String ada = Visitor.first(ines.page("/classes/" + schoolClass), "/students/([^\"/]+)\"");
        ines.putForm("/lines/" + question + "/question/kind", "by", "PICTURE");
        String given = Visitor.first(
                ines.form("/lessons/" + lesson + "/give", "to", schoolClass)
                        .uri()
                        .getQuery(),
                "given=([^&]+)");
        StringBuilder uses = new StringBuilder(
                "<svg xmlns='http://www.w3.org/2000/svg' xmlns:x='http://www.w3.org/1999/xlink' width='9' height='9'><g id='u0'><path d='M0 0h1'/></g>");
        for (int i = 1; i < 24; i++) {
            uses.append("<g id='u").append(i).append("'>");
            uses.append(("<use x:href='#u" + (i - 1) + "'/>").repeat(4)).append("</g>");
        }
        uses.append("<use x:href='#u23'/></svg>");
        Visitor child = Visitor.child(ines, schoolClass, ada);
        long begun = System.nanoTime();
        assertThat(child.send(
                                "PUT",
                                "/my/" + given + "/answer-picture?line=" + question,
                                "image/svg+xml",
                                uses.toString().getBytes(StandardCharsets.UTF_8))
                        .statusCode())
                .isEqualTo(422);
        assertThat(System.nanoTime() - begun).as("bounded, not quick").isLessThan(40_000_000_000L);
        ines.form("/classes/" + schoolClass + "/remove");
    }

    @Test
    void guessesSlowTheGuesserAndNotTheTeacherAtHerOwnDevice() throws Exception {
        accounts.add("Guessed At", "guessed", "right password");
        Visitor herOwn = new Visitor(base());
        herOwn.get("/sign-in");
        herOwn.form("/sign-in", "name", "guessed", "password", "right password");
        assertThat(herOwn.get("/library").uri().getPath()).isEqualTo("/library");
        herOwn.form("/sign-out");
        assertThat(herOwn.get("/library").uri().getPath()).isEqualTo("/sign-in");
        Visitor guesser = new Visitor(base());
        guesser.get("/sign-in");
        String told = "";
        for (int i = 0; i < 9; i++) {
            told = Visitor.text(guesser.form("/sign-in", "name", "guessed", "password", "wrong " + i));
        }
        assertThat(told).contains("several wrong tries from this device", "not looked at");
        assertThat(Visitor.text(guesser.form("/sign-in", "name", "guessed", "password", "right password")))
                .contains("not looked at");
        assertThat(herOwn.form("/sign-in", "name", "guessed", "password", "right password")
                        .uri()
                        .getPath())
                .isEqualTo("/");
    }

    @Test
    void nothingIsKeptOfStrangers() throws Exception {
        for (int i = 0; i < 3; i++) {
            HttpResponse<byte[]> answer = new Visitor(base()).get(i == 0 ? "/" : "/lessons/none");
            assertThat(answer.headers().allValues("Set-Cookie"))
                    .allSatisfy(cookie -> assertThat(cookie).startsWith("XSRF-TOKEN="));
        }
    }
}
