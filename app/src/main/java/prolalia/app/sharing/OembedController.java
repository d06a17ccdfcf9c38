package prolalia.app.sharing;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.link.LinkService;
import prolalia.app.school.SchoolAddress;

/** Tells pages elsewhere how to show a lesson whose link was pasted into them (oEmbed 1.0, section 2). */
@Controller
class OembedController {
    private static final Pattern LINK = Pattern.compile("/l/([\\w-]{1,64})(/\\d{1,4})?/?");
    private static final int LEAST = 200;
    private static final String SHORTEST_CACHE_SECONDS = "60";

    private final LinkService links;
    private final SchoolAddress addresses;

    OembedController(LinkService links, SchoolAddress addresses) {
        this.links = links;
        this.addresses = addresses;
    }

    @GetMapping("/oembed")
    @ResponseBody
    ResponseEntity<Map<String, Object>> oembed(
            @RequestParam String url,
            @RequestParam(defaultValue = "json") String format,
            @RequestParam(defaultValue = "" + Embedding.WIDTH) int maxwidth,
            @RequestParam(defaultValue = "" + Embedding.HEIGHT) int maxheight,
            HttpServletRequest request) {
        if (!format.equals("json")) {
            return ResponseEntity.status(HttpStatus.NOT_IMPLEMENTED).build();
        }
        String token = token(url, request.getContextPath());
        String title = token == null ? null : title(token);
        if (title == null) {
            return ResponseEntity.notFound().build();
        }
        int width = Math.max(LEAST, Math.min(Embedding.WIDTH, maxwidth));
        int height = Math.max(LEAST, Math.min(Embedding.HEIGHT, maxheight));
        String base = addresses.address(request).base();
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("version", "1.0");
        answer.put("type", "rich");
        answer.put("title", title);
        answer.put("provider_name", "Prolalia");
        answer.put("provider_url", base);
        answer.put("cache_age", SHORTEST_CACHE_SECONDS);
        answer.put("html", Embedding.snippet(base, token, title, width, height));
        answer.put("width", width);
        answer.put("height", height);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(answer);
    }

    /** @param under the path under which this server is */
    private static String token(String url, String under) {
        try {
            String path = URI.create(url).getPath();
            Matcher link =
                    path == null || !path.startsWith(under) ? null : LINK.matcher(path.substring(under.length()));
            return link != null && link.matches() ? link.group(1) : null;
        } catch (IllegalArgumentException noAddress) {
            return null;
        }
    }

    /** Null when there is no such link, or none any more. */
    private String title(String token) {
        return links.title(token).orElse(null);
    }
}
