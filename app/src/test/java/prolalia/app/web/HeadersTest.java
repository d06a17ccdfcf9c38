package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What every answer carries, and what the pages are made of. */
class HeadersTest extends RunningHouse {
    @Test
    void everyPageHasItsPolicyAndNoPageHasCodeInIt() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("Look.");
        String lesson = ines.lessonOf(line);
        String link = ines.linkTo(lesson);
        for (String path : List.of(
                "/",
                "/school",
                "/microphone",
                "/lessons/" + lesson,
                "/lessons/" + lesson + "/give-link",
                "/lessons/" + lesson + "/paste",
                "/lessons/" + lesson + "/read",
                "/lines/" + line + "/recorder",
                link,
                "/lessons/nowhere",
                "/l/nowhere")) {
            HttpResponse<byte[]> page = ines.get(path);
            assertThat(page.headers().firstValue("Content-Security-Policy").orElse(""))
                    .as(path)
                    .contains("default-src 'none'", "frame-ancestors 'none'", "base-uri 'none'")
                    .doesNotContain("unsafe-");
            assertThat(page.headers().firstValue("X-Content-Type-Options"))
                    .as(path)
                    .hasValue("nosniff");
            assertThat(page.headers().firstValue("Referrer-Policy")).as(path).hasValue("same-origin");
            String html = Visitor.text(page);
            assertThat(html)
                    .as(path)
                    .doesNotContainPattern("<script(?![^>]* src=)(?![^>]*type=\"application/json\")[^>]*>")
                    .doesNotContainPattern("\\son[a-z]+=\"")
                    .doesNotContainPattern("\\sstyle=\"")
                    .doesNotContainPattern("(?:src=|<link(?![^>]*alternate)[^>]*href=)\"(?:https?:)?//(?!localhost)")
                    .doesNotContain("??");
        }
    }

    @Test
    void cookiesOfATeacherAreClosedToScriptsAndOtherSites() throws Exception {
        Visitor visitor = new Visitor(base());
        visitor.get("/sign-in");
        List<String> cookies = visitor.formOnce("/enter-demo").headers().allValues("Set-Cookie");
        assertThat(cookies)
                .filteredOn(cookie -> cookie.startsWith("prolalia="))
                .singleElement()
                .satisfies(cookie -> assertThat(cookie).contains("HttpOnly", "SameSite=Lax"));
        assertThat(visitor.get("/sign-in").headers().allValues("Set-Cookie"))
                .filteredOn(cookie -> cookie.startsWith("XSRF-TOKEN="))
                .allSatisfy(cookie -> assertThat(cookie).contains("SameSite=Strict"));
    }

    @Test
    void shippedFilesAreKeptForEverAndCompressed() throws Exception {
        Visitor student = new Visitor(base());
        String page = student.page("/sign-in");
        String style = Visitor.first(page, "href=\"(/assets/[0-9]+/platform/look.css)\"");
        HttpResponse<byte[]> css = student.get(style, "Accept-Encoding", "gzip");
        assertThat(css.headers().firstValue("Cache-Control").orElse("")).contains("max-age=31536000");
        assertThat(css.headers().firstValue("Content-Encoding")).hasValue("gzip");
        assertThat(css.headers().allValues("Set-Cookie")).isEmpty();
        String font = "/assets/" + style.split("/")[2] + "/fonts/primer-reader-latin-400.woff2";
        assertThat(student.get(font).statusCode()).isEqualTo(200);
    }
}
