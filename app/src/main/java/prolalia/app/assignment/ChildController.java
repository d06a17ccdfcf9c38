package prolalia.app.assignment;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.ChildService.Task;
import prolalia.app.classroom.StudentSession;
import prolalia.app.classroom.StudentSession.Inside;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.player.PlayerService;
import prolalia.app.player.StudentFiles;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Animal;
import prolalia.core.published.SaidWords.Said;
import prolalia.formats.web.Answering;
import prolalia.formats.web.BehindDoor;

/** What a child meets behind the door of her class: what there is to do, and each lesson of it. */
@Controller
@RequestMapping("/my")
class ChildController {
    static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);

    private final StudentSession door;
    private final ChildService children;
    private final PlayerService player;
    private final StudentFiles files;
    private final MediaResponses media;
    private final SpokenBack spokenBack;

    ChildController(
            StudentSession door,
            ChildService children,
            PlayerService player,
            StudentFiles files,
            MediaResponses media,
            SpokenBack spokenBack) {
        this.door = door;
        this.children = children;
        this.player = player;
        this.files = files;
        this.media = media;
        this.spokenBack = spokenBack;
    }

    @GetMapping
    String tasks(HttpServletRequest request, HttpServletResponse response, Model model) {
        Inside inside = door.inside(request);
        List<Task> tasks = children.tasks(inside.actor());
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("inside", inside);
        model.addAttribute("tasks", tasks);
        model.addAttribute("spokenBack", spokenBack.of(inside.actor()));
        return "assignment/my";
    }

    /** Who is here, as a child is asked whether it is still she. */
    @GetMapping("/who")
    String who(HttpServletRequest request, Model model) {
        model.addAttribute("inside", door.inside(request));
        return "assignment/who";
    }

    @GetMapping("/animal")
    String animals(HttpServletRequest request, Model model) {
        Inside inside = door.inside(request);
        model.addAttribute("inside", inside);
        model.addAttribute("pictures", door.pictures(inside));
        return "assignment/animals";
    }

    @PostMapping("/animal")
    String choose(@RequestParam Animal animal, @RequestParam Animal.Tint tint, HttpServletRequest request) {
        door.choose(door.inside(request), animal, tint);
        return "redirect:/my";
    }

    @PostMapping("/leave")
    String leave(HttpServletRequest request, HttpServletResponse response) {
        return "redirect:/door"
                + door.leave(request, response).map(token -> "/" + token).orElse("");
    }

    /** What is said of something that is to do: its title, or its direction. */
    @GetMapping("/said/{id}/{part}.mp3")
    ResponseEntity<Resource> said(@PathVariable String id, @PathVariable String part, HttpServletRequest request)
            throws IOException {
        Assignment assignment = children.meet(student(request), id).assignment();
        String sound = part.equals("direction") ? assignment.directionSound() : assignment.titleSound();
        if (sound == null) {
            throw new NotFoundException("sound");
        }
        return media.serve(sound, MediaResponses.MP3, request);
    }

    private Student student(HttpServletRequest request) {
        return door.inside(request).actor();
    }

    private AssignedLesson met(HttpServletRequest request, String id) {
        return children.meet(student(request), id);
    }

    @GetMapping("/{id}")
    ResponseEntity<String> first(@PathVariable String id, HttpServletRequest request) {
        return page(id, 1, request);
    }

    @GetMapping("/{id}/{number:[0-9]{1,4}}")
    ResponseEntity<String> page(@PathVariable String id, @PathVariable int number, HttpServletRequest request) {
        Student student = student(request);
        AssignedLesson met = children.meet(student, id);
        children.opened(student, met);
        String under = request.getContextPath();
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(HTML)
                .body(player.page(
                        met.lesson(),
                        number,
                        "/my/" + id,
                        behindDoor(met, under, under + "/my/" + id),
                        new Answering(under + "/my/" + id + "/answers", under + "/my/" + id, student.id())));
    }

    /** @param under the path under which this server is @param base of what belongs to what was given, with it */
    static BehindDoor behindDoor(AssignedLesson met, String under, String base) {
        Accommodation accommodation = met.accommodation();
        return new BehindDoor(
                under + "/my",
                base + "/heard/",
                under + "/my/who",
                met.schoolClass().idleMinutes(),
                accommodation.speedPercent(),
                accommodation.words() == Accommodation.Words.LARGE,
                accommodation.switches());
    }

    /** She heard a line to its end, or so much of it. */
    @PostMapping("/{id}/heard/{lineId}")
    ResponseEntity<Void> heard(
            @PathVariable String id,
            @PathVariable String lineId,
            @RequestParam(defaultValue = "100") int percent,
            HttpServletRequest request) {
        Student student = door.ofPage(request);
        children.heard(student, children.meet(student, id), lineId, percent);
        return ResponseEntity.noContent().build();
    }

    /** She asked for a hint. */
    @PostMapping("/{id}/hints/{lineId}")
    ResponseEntity<Void> hint(@PathVariable String id, @PathVariable String lineId, HttpServletRequest request) {
        player.asked(children.meet(door.ofPage(request), id).lesson(), lineId);
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/{id}/sound/{hash}.mp3")
    ResponseEntity<Resource> sound(@PathVariable String id, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.sound(met(request, id).lesson(), hash, request);
    }

    @GetMapping("/{id}/picture/{hash}")
    ResponseEntity<Resource> picture(@PathVariable String id, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.picture(met(request, id).lesson(), hash, request);
    }

    @GetMapping("/{id}/thing/{hash}")
    ResponseEntity<Resource> thing(@PathVariable String id, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return files.thing(met(request, id).assignment().lessonId(), hash, request);
    }

    @GetMapping("/{id}/words/{lineId}")
    @ResponseBody
    List<Word> words(@PathVariable String id, @PathVariable String lineId, HttpServletRequest request) {
        return files.words(met(request, id).lesson(), lineId);
    }

    /** Single words in her teacher's voice, so that she can hear what she wrote. */
    @GetMapping("/{id}/said-words")
    @ResponseBody
    Map<String, Said> saidWords(@PathVariable String id, HttpServletRequest request) {
        return files.saidWords(met(request, id).lesson());
    }

    /** Whoever isn't inside goes to the door at which this device was last; a script is told so. */
    @ExceptionHandler(StudentSession.OutsideException.class)
    String outside(HttpServletRequest request, HttpServletResponse response) {
        boolean opens = request.getMethod().equals("GET")
                && String.valueOf(request.getHeader("Accept")).contains("text/html");
        Optional<String> last = door.lastDoor(request);
        if (opens && last.isPresent()) {
            return "redirect:/door/" + last.get();
        }
        response.setStatus(HttpStatus.UNAUTHORIZED.value());
        return "classroom/no-door";
    }

    /** What was taken back, has ended, or was never hers. */
    @ExceptionHandler(NotFoundException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "assignment/gone";
    }
}
