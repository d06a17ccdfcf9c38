package prolalia.app.listening;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.classroom.StudentSession;
import prolalia.app.classroom.StudentSession.Inside;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;

/** What was said back to a child: heard in order at its places, and answered by voice. */
@Controller
@RequestMapping("/my/{id}")
class ChildRemarkController {

    private final StudentSession door;
    private final ChildRemarks remarks;
    private final MediaResponses media;

    ChildRemarkController(StudentSession door, ChildRemarks remarks, MediaResponses media) {
        this.door = door;
        this.remarks = remarks;
        this.media = media;
    }

    @GetMapping("/remarks")
    String page(@PathVariable String id, HttpServletRequest request, HttpServletResponse response, Model model) {
        Inside inside = door.inside(request);
        model.addAttribute("inside", inside);
        model.addAttribute("forChild", remarks.forChild(inside.actor(), id));
        model.addAttribute("id", id);
        response.setHeader("Cache-Control", "no-store");
        return "listening/for-child";
    }

    @GetMapping("/remarks/{remarkId}.mp3")
    ResponseEntity<Resource> sound(@PathVariable String id, @PathVariable String remarkId, HttpServletRequest request)
            throws IOException {
        return media.serveOwn(remarks.sound(door.ofPage(request), id, remarkId), MediaResponses.MP3, request);
    }

    /** What a level of a rubric says, in her teacher's voice. */
    @GetMapping("/remarks/{questionId}/level/{number}.mp3")
    ResponseEntity<Resource> level(
            @PathVariable String id,
            @PathVariable String questionId,
            @PathVariable int number,
            HttpServletRequest request)
            throws IOException {
        return media.serveOwn(
                remarks.levelSound(door.ofPage(request), id, questionId, number), MediaResponses.MP3, request);
    }

    /** She heard it, or had it before her. */
    @PostMapping("/remarks/{remarkId}/met")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void met(@PathVariable String id, @PathVariable String remarkId, HttpServletRequest request) {
        remarks.met(door.ofPage(request), id, remarkId);
    }

    @ExceptionHandler(StudentSession.OutsideException.class)
    String outside(HttpServletRequest request, HttpServletResponse response) {
        boolean opens = request.getMethod().equals("GET")
                && String.valueOf(request.getHeader("Accept")).contains("text/html");
        var last = door.lastDoor(request);
        if (opens && last.isPresent()) {
            return "redirect:/door/" + last.get();
        }
        response.setStatus(HttpStatus.UNAUTHORIZED.value());
        return "classroom/no-door";
    }

    @ExceptionHandler(NotFoundException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "assignment/gone";
    }
}
