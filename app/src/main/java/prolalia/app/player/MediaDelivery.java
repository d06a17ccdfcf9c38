package prolalia.app.player;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpFilter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpRange;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.ServletWebRequest;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.player.PlayerService.Opened;
import prolalia.app.player.PlayerService.WithdrawnException;
import prolalia.core.published.PublishedLesson;

/**
 * Hands the sounds and pictures of a lesson to a whole class at once: before anything else looks at the request, and, where the
 * connection allows, without the file passing through this program (sendfile). What isn't a plain request for a whole file or
 * one range of it (RFC 9110, 14) goes the usual way, and so does everything that must be refused.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class MediaDelivery extends HttpFilter {
    private static final Pattern MEDIA =
            Pattern.compile("/[le]/([\\w-]{1,64})/(?:sound/([0-9a-f]{64})\\.mp3|picture/([0-9a-f]{64}))");
    private static final int PATHS_REMEMBERED = 50_000;
    private static final String SENDFILE = "org.apache.tomcat.sendfile.";

    private final transient PlayerService player;
    private final transient MediaStore media;
    private final transient Cache<String, Known> known =
            Caffeine.newBuilder().maximumSize(PATHS_REMEMBERED).build();

    MediaDelivery(PlayerService player, MediaStore media) {
        this.player = player;
        this.media = media;
    }

    /** @param asked null when the lesson has no such file */
    private record Known(Opened lesson, Asked asked) {}

    /** @param entityTag of its content */
    private record Asked(String entityTag, String type, String file, long size) {}

    @Override
    protected void doFilter(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        String path = request.getServletPath();
        boolean looks = request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
        Asked asked = looks && (path.startsWith("/l/") || path.startsWith("/e/")) ? asked(path) : null;
        if (asked == null || !deliver(asked, request, response)) {
            chain.doFilter(request, response);
        }
    }

    /** Null when this lesson has no such file, or the link leads to none. */
    private Asked asked(String path) {
        Matcher parts = MEDIA.matcher(path);
        if (!parts.matches()) {
            return null;
        }
        try {
            Opened lesson = player.open(parts.group(1));
            Known before = known.getIfPresent(path);
            if (before == null || before.lesson() != lesson) {
                before = new Known(lesson, asked(lesson.lesson(), parts.group(2), parts.group(3)));
                known.put(path, before);
            }
            return before.asked();
        } catch (WithdrawnException | NotFoundException closed) {
            return null;
        }
    }

    private Asked asked(PublishedLesson lesson, String sound, String picture) {
        if (sound != null) {
            return lesson.hears(sound) ? asked(sound, "audio/mpeg") : null;
        }
        return lesson.picture(picture)
                .map(found -> asked(found.hash(), found.type()))
                .orElse(null);
    }

    private Asked asked(String hash, String type) {
        Path file = media.file(hash).toAbsolutePath();
        try {
            return new Asked("\"" + hash + "\"", type, file.toString(), Files.size(file));
        } catch (IOException missing) {
            return null;
        }
    }

    /** Answers whether it did. */
    private boolean deliver(Asked asked, HttpServletRequest request, HttpServletResponse response) throws IOException {
        long size = asked.size();
        String entityTag = asked.entityTag();
        String range = request.getHeader("Range");
        long start = 0;
        long end = size;
        if (range != null) {
            HttpRange one = one(range, size);
            String onlyIf = request.getHeader("If-Range");
            if (one == null || onlyIf != null && !onlyIf.equals(entityTag)) {
                return false;
            }
            start = one.getRangeStart(size);
            end = one.getRangeEnd(size) + 1;
        }
        response.setHeader("Cache-Control", "max-age=31536000, private, immutable");
        response.setHeader("Accept-Ranges", "bytes");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'; base-uri 'none'");
        response.setHeader("Referrer-Policy", "same-origin");
        if (new ServletWebRequest(request, response).checkNotModified(entityTag)) {
            return true;
        }
        if (range != null) {
            response.setStatus(HttpServletResponse.SC_PARTIAL_CONTENT);
            response.setHeader("Content-Range", "bytes " + start + "-" + (end - 1) + "/" + size);
        }
        response.setContentType(asked.type());
        response.setContentLengthLong(end - start);
        if (request.getMethod().equals("GET")) {
            send(asked.file(), start, end, request, response);
        }
        return true;
    }

    /** The one range that was asked for, if it is within the file; null otherwise. */
    private static HttpRange one(String header, long size) {
        try {
            List<HttpRange> ranges = HttpRange.parseRanges(header);
            return ranges.size() == 1 && ranges.get(0).getRangeStart(size) < size ? ranges.get(0) : null;
        } catch (IllegalArgumentException unreadable) {
            return null;
        }
    }

    private static void send(
            String file, long start, long end, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        if (Boolean.TRUE.equals(request.getAttribute(SENDFILE + "support"))) {
            request.setAttribute(SENDFILE + "filename", file);
            request.setAttribute(SENDFILE + "start", start);
            request.setAttribute(SENDFILE + "end", end);
            return;
        }
        try (InputStream in = Files.newInputStream(Path.of(file))) {
            in.skipNBytes(start);
            byte[] buffer = new byte[1 << 15];
            for (long left = end - start; left > 0; ) {
                int read = in.read(buffer, 0, (int) Math.min(left, buffer.length));
                if (read < 0) {
                    return;
                }
                response.getOutputStream().write(buffer, 0, read);
                left -= read;
            }
        }
    }
}
