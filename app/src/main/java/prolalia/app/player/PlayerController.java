package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.ModelAndView;
import prolalia.app.platform.NotFoundException;
import prolalia.app.player.PlayerService.AsleepException;
import prolalia.app.player.PlayerService.Way;
import prolalia.app.player.PlayerService.WithdrawnException;
import prolalia.app.school.SchoolAddress;
import prolalia.core.align.WordTimes.Word;
import prolalia.formats.caption.WebVtt;

@Controller
class PlayerController {
    static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);
    private static final MediaType JAVASCRIPT = new MediaType("text", "javascript", StandardCharsets.UTF_8);
    private static final MediaType WEB_VTT = new MediaType("text", "vtt", StandardCharsets.UTF_8);

    private final PlayerService player;
    private final StudentFiles files;
    private final SchoolAddress addresses;

    PlayerController(PlayerService player, StudentFiles files, SchoolAddress addresses) {
        this.addresses = addresses;
        this.player = player;
        this.files = files;
    }

    @GetMapping({"/l/{token}", "/e/{token}", "/c/{token}"})
    ResponseEntity<byte[]> first(@PathVariable String token, HttpServletRequest request) {
        if (Way.of(request.getServletPath()) == Way.CODE) {
            player.scanned(token);
        }
        return page(token, 1, request);
    }

    @GetMapping({"/l/{token}/{number:[0-9]{1,4}}", "/e/{token}/{number:[0-9]{1,4}}", "/c/{token}/{number:[0-9]{1,4}}"})
    ResponseEntity<byte[]> page(@PathVariable String token, @PathVariable int number, HttpServletRequest request) {
        Way way = Way.of(request.getServletPath());
        // The teacher may change the lesson at any time, and take the link back.
        return player.page(token, number, addresses.address(request).base(), way)
                .answer(ResponseEntity.ok().cacheControl(CacheControl.noStore()).contentType(HTML), request);
    }

    /** A code is printed in capitals, which make it smaller. */
    @GetMapping("/C/{token}")
    String scanned(@PathVariable String token) {
        return "redirect:/c/" + token;
    }

    /** The player, under the address of the code: what keeps its page for when there is no network looks after no other. */
    @GetMapping("/c/{token}/player.js")
    ResponseEntity<Resource> script(@PathVariable String token) {
        player.open(token);
        return ResponseEntity.ok()
                .contentType(JAVASCRIPT)
                .cacheControl(CacheControl.noCache().cachePrivate())
                .body(new ClassPathResource("static/assets/player/player.js"));
    }

    /** Keeps the page, and what is heard on it, in the browser: opened once, it plays again without the network. */
    @GetMapping("/c/{token}/keeper.js")
    ResponseEntity<Resource> keeper(@PathVariable String token, HttpServletRequest request) {
        player.open(token);
        return ResponseEntity.ok()
                .contentType(JAVASCRIPT)
                .cacheControl(CacheControl.noCache())
                .header("Service-Worker-Allowed", request.getContextPath() + "/c/" + token)
                .body(new ClassPathResource("static/assets/player/code-keeper.js"));
    }

    /** Counts that something was listened to. @param percent how far */
    @PostMapping("/c/{token}/heard/{percent:[0-9]{1,3}}")
    ResponseEntity<Void> heard(@PathVariable String token, @PathVariable int percent) {
        player.heard(token, percent);
        return ResponseEntity.noContent().build();
    }

    /** Counts a hint that a child asked for. */
    @PostMapping({"/l/{token}/hints/{lineId}", "/e/{token}/hints/{lineId}", "/c/{token}/hints/{lineId}"})
    ResponseEntity<Void> hint(@PathVariable String token, @PathVariable String lineId) {
        player.asked(token, lineId);
        return ResponseEntity.noContent().build();
    }

    @GetMapping({"/l/{token}/sound/{hash}.mp3", "/e/{token}/sound/{hash}.mp3", "/c/{token}/sound/{hash}.mp3"})
    ResponseEntity<Resource> sound(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.sound(player.open(token).lesson(), hash, request);
    }

    @GetMapping({"/l/{token}/picture/{hash}", "/e/{token}/picture/{hash}", "/c/{token}/picture/{hash}"})
    ResponseEntity<Resource> picture(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return Way.of(request.getServletPath()) == Way.CODE
                ? files.smallPicture(player.open(token).lesson(), hash, request)
                : files.picture(player.open(token).lesson(), hash, request);
    }

    /** When the words of a line are said. */
    @GetMapping({"/l/{token}/words/{lineId}", "/e/{token}/words/{lineId}", "/c/{token}/words/{lineId}"})
    @ResponseBody
    List<Word> words(@PathVariable String token, @PathVariable String lineId) {
        return player.words(token, lineId);
    }

    /** The same as captions that players of any make understand. */
    @GetMapping({"/l/{token}/words/{lineId}.vtt", "/e/{token}/words/{lineId}.vtt", "/c/{token}/words/{lineId}.vtt"})
    ResponseEntity<String> captions(@PathVariable String token, @PathVariable String lineId) {
        return ResponseEntity.ok().contentType(WEB_VTT).body(WebVtt.ofLine(player.words(token, lineId)));
    }

    @GetMapping({"/l/{token}/thing/{hash}", "/e/{token}/thing/{hash}", "/c/{token}/thing/{hash}"})
    ResponseEntity<Resource> thing(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.thing(player.open(token).lessonId(), hash, request);
    }

    @ExceptionHandler(WithdrawnException.class)
    String withdrawn(HttpServletResponse response) {
        response.setStatus(HttpStatus.GONE.value());
        return "player/closed";
    }

    /** It stays in the browsers that keep it: it opens again. */
    @ExceptionHandler(AsleepException.class)
    ModelAndView asleep(AsleepException asleep, HttpServletResponse response) {
        response.setStatus(HttpStatus.FORBIDDEN.value());
        return new ModelAndView("player/closed", "hours", asleep.link().hours());
    }

    @ExceptionHandler(NotFoundException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "player/closed";
    }
}
