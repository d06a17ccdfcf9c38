package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.house.NotHereException;
import prolalia.app.house.Words;
import prolalia.app.player.PlayerService.WithdrawnException;
import prolalia.core.align.WordTimes.Word;
import prolalia.formats.caption.WebVtt;

@Controller
class PlayerController {
    private static final MediaType WEB_VTT = new MediaType("text", "vtt", StandardCharsets.UTF_8);

    private final PlayerService player;
    private final StudentPages pages;
    private final StudentFiles files;
    private final Words words;

    PlayerController(PlayerService player, StudentPages pages, StudentFiles files, Words words) {
        this.player = player;
        this.pages = pages;
        this.files = files;
        this.words = words;
    }

    @GetMapping("/l/{token}")
    String first(@PathVariable String token, HttpServletResponse response, Model model) {
        return page(token, 1, response, model);
    }

    @GetMapping("/l/{token}/{number:[0-9]{1,4}}")
    String page(@PathVariable String token, @PathVariable int number, HttpServletResponse response, Model model) {
        // The teacher may change the lesson at any time, and take the link back.
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("base", "/l/" + token);
        model.addAttribute("counted", true);
        model.addAttribute("student", pages.page(player.lesson(token), number));
        model.addAttribute("words", words.forBrowser("player"));
        return "player/page";
    }

    /** Counts a hint that a child asked for. */
    @PostMapping("/l/{token}/hints/{lineId}")
    ResponseEntity<Void> hint(@PathVariable String token, @PathVariable String lineId) {
        player.asked(token, lineId);
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/l/{token}/sound/{hash}.mp3")
    ResponseEntity<Resource> sound(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.sound(player.summary(token).id(), hash, request);
    }

    @GetMapping("/l/{token}/picture/{hash}")
    ResponseEntity<Resource> picture(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.picture(player.summary(token).id(), hash, request);
    }

    /** When the words of a line are said. */
    @GetMapping("/l/{token}/words/{lineId}")
    @ResponseBody
    List<Word> words(@PathVariable String token, @PathVariable String lineId) {
        return files.words(player.summary(token).id(), lineId);
    }

    /** The same as captions that players of any make understand. */
    @GetMapping("/l/{token}/words/{lineId}.vtt")
    ResponseEntity<String> captions(@PathVariable String token, @PathVariable String lineId) {
        return ResponseEntity.ok()
                .contentType(WEB_VTT)
                .body(WebVtt.ofLine(files.words(player.summary(token).id(), lineId)));
    }

    @GetMapping("/l/{token}/thing/{hash}")
    ResponseEntity<Resource> thing(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.thing(player.summary(token).id(), hash, request);
    }

    @ExceptionHandler(WithdrawnException.class)
    String withdrawn(HttpServletResponse response) {
        response.setStatus(HttpStatus.GONE.value());
        return "player/closed";
    }

    @ExceptionHandler(NotHereException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "player/closed";
    }
}
