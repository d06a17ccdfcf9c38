package prolalia.app.web;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Somebody at the other end of the wire: keeps cookies, sends the token, follows redirects. */
public final class Visitor {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String base;

    public Visitor(String base) {
        this.base = base;
    }

    /** Enters the demo as its teacher. */
    public static Visitor ines(String base) throws Exception {
        Visitor ines = new Visitor(base);
        ines.get("/sign-in");
        ines.form("/enter-demo");
        return ines;
    }

    /** Somebody new at the school, who set her password by her link and signed in. */
    public static Visitor added(Visitor admin, String base, String fullName, String role) throws Exception {
        String shown = text(admin.form("/school/people", "fullName", fullName, "role", role));
        String name = first(shown, "sign-in name “([^”]+)”");
        String secret = first(shown, "/password/([\\w-]{20,})\"");
        Visitor she = new Visitor(base);
        she.get("/password/" + secret);
        she.form("/password/" + secret, "password", "sieben Samen wachen");
        she.get("/sign-in");
        she.form("/sign-in", "name", name, "password", "sieben Samen wachen");
        return she;
    }

    /** Answers the id of a class that a teacher makes. */
    public static String newClass(Visitor teacher, String name) throws Exception {
        return first(teacher.form("/classes", "name", name).uri().getPath(), "/classes/([^/]+)");
    }

    /** A child who came in through the door of her class, by her picture key. */
    public static Visitor child(Visitor teacher, String schoolClass, String student) throws Exception {
        String door = first(teacher.page("/classes/" + schoolClass + "/door"), "/door/([\\w-]{20,})\"");
        Visitor child = new Visitor(teacher.base);
        child.form("/door/" + door + "/" + student, "key", key(teacher, schoolClass, student));
        return child;
    }

    /** As her teacher sees it. */
    public static String key(Visitor teacher, String schoolClass, String student) throws Exception {
        Matcher pictures = Pattern.compile("<span role=\"img\" aria-label=\"([a-z]+)\"")
                .matcher(teacher.page("/classes/" + schoolClass + "/students/" + student));
        StringBuilder key = new StringBuilder();
        while (pictures.find()) {
            key.append(pictures.group(1).toUpperCase(java.util.Locale.ROOT)).append(' ');
        }
        return key.toString().strip();
    }

    public HttpResponse<byte[]> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        for (int i = 0; i < headers.length; i += 2) {
            request.header(headers[i], headers[i + 1]);
        }
        return client.send(request.build(), BodyHandlers.ofByteArray());
    }

    public String page(String path) throws Exception {
        return text(get(path));
    }

    public static String text(HttpResponse<byte[]> response) {
        return new String(response.body(), StandardCharsets.UTF_8);
    }

    /** Posts a form: name, value, name, value, … */
    public HttpResponse<byte[]> form(String path, String... fields) throws Exception {
        return send(
                "POST",
                path,
                "application/x-www-form-urlencoded",
                encoded(fields).getBytes(StandardCharsets.UTF_8));
    }

    /** Posts a form and doesn't follow where the answer leads. */
    public HttpResponse<byte[]> formOnce(String path) throws Exception {
        HttpClient still = HttpClient.newBuilder().cookieHandler(cookies).build();
        return still.send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .header("X-XSRF-TOKEN", csrfToken())
                        .POST(BodyPublishers.noBody())
                        .build(),
                BodyHandlers.ofByteArray());
    }

    public HttpResponse<byte[]> putForm(String path, String... fields) throws Exception {
        return send(
                "PUT",
                path,
                "application/x-www-form-urlencoded",
                encoded(fields).getBytes(StandardCharsets.UTF_8));
    }

    /** @param headers more of them, name and value in turns */
    public HttpResponse<byte[]> send(String method, String path, String type, byte[] body, String... headers)
            throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", csrfToken());
        for (int i = 0; i < headers.length; i += 2) {
            request.header(headers[i], headers[i + 1]);
        }
        return client.send(
                request.method(method, BodyPublishers.ofByteArray(body)).build(), BodyHandlers.ofByteArray());
    }

    /** What another site's page could send from this browser. */
    public HttpResponse<byte[]> withoutToken(String path, String body) throws Exception {
        return client.send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .header("Accept", "text/html")
                        .POST(BodyPublishers.ofString(body))
                        .build(),
                BodyHandlers.ofByteArray());
    }

    /** Sends a file as a recording of a line and answers what the teacher is told. */
    public String record(String lineId, String name, byte[] content) throws Exception {
        return text(send(
                "PUT",
                "/recordings/" + UUID.randomUUID() + "/file?line=" + lineId + "&name="
                        + URLEncoder.encode(name, StandardCharsets.UTF_8),
                "application/octet-stream",
                content));
    }

    /** Makes a lesson with one direction on it and answers the line's id. */
    public String newLine(String words) throws Exception {
        String script = text(form("/lessons", "title", "Lesson " + UUID.randomUUID()));
        String line = first(script, "data-line=\"([^\"]+)\"");
        putForm("/lines/" + line + "/words", "revision", "1", "words", words);
        return line;
    }

    /** The lesson that a line belongs to. */
    public String lessonOf(String lineId) throws Exception {
        return first(page("/lines/" + lineId + "/recorder"), "/lessons/([^#\"]+)#line-");
    }

    /** Gives a lesson out, unless it is; answers the path of its link. */
    public String linkTo(String lesson) throws Exception {
        return first(text(form("/lessons/" + lesson + "/link")), "id=\"link\"[^>]*value=\"https?://[^/]+(/l/[^\"]+)\"");
    }

    public static String first(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        if (!matcher.find()) {
            throw new AssertionError("No " + pattern + " in:\n" + text);
        }
        return matcher.group(1);
    }

    /** All that a pattern's group finds, each once. */
    public static List<String> all(String text, String pattern) {
        return Pattern.compile(pattern)
                .matcher(text)
                .results()
                .map(found -> found.group(1))
                .distinct()
                .toList();
    }

    /** What its browser keeps: a name and a value each. */
    public List<HttpCookie> cookies() {
        return cookies.getCookieStore().getCookies();
    }

    private String csrfToken() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private static String encoded(String... fields) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            body.append(i == 0 ? "" : "&")
                    .append(fields[i])
                    .append('=')
                    .append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return body.toString();
    }
}
