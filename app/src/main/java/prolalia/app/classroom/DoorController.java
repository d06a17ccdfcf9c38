package prolalia.app.classroom;

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
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.classroom.DoorService.Opened;
import prolalia.app.classroom.DoorService.Tried;
import prolalia.app.classroom.DoorTries.From;
import prolalia.app.link.CodeLinks;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.KeyPicture;

/** The door of a class: a child finds herself, and presses her key. Nothing of it has to be read. */
@Controller
class DoorController {
    private final DoorService doors;
    private final DoorTries tries;
    private final CodeLinks codes;
    private final StudentSignIns signIns;
    private final StudentSession way;
    private final MediaResponses media;
    private final Messages messages;

    DoorController(
            DoorService doors,
            DoorTries tries,
            CodeLinks codes,
            StudentSignIns signIns,
            StudentSession way,
            MediaResponses media,
            Messages messages) {
        this.way = way;
        this.doors = doors;
        this.tries = tries;
        this.codes = codes;
        this.signIns = signIns;
        this.media = media;
        this.messages = messages;
    }

    /** Where the word of a door is typed, or that of a code. */
    @GetMapping("/door")
    String word(
            @RequestParam(defaultValue = "") String word,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        if (!word.isBlank()) {
            From from = tries.from(request);
            if (tries.mayTry(from, null)) {
                var door = doors.ofWord(word);
                if (door.isPresent()) {
                    return "redirect:/door/" + door.get().token();
                }
                var code = codes.typed(word);
                if (code.isPresent()) {
                    return "redirect:" + code.get();
                }
                tries.wrong(from, null);
            } else {
                model.addAttribute("slower", true);
            }
        }
        tries.welcome(request, response);
        model.addAttribute("word", word);
        return "classroom/door-word";
    }

    @GetMapping("/door/{token}")
    String door(@PathVariable String token, HttpServletRequest request, HttpServletResponse response, Model model) {
        show(doors.open(token), model);
        tries.welcome(request, response);
        way.remember(token, request, response);
        return "classroom/door";
    }

    @GetMapping("/door/{token}/{studentId}")
    String key(
            @PathVariable String token,
            @PathVariable String studentId,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Opened opened = doors.open(token);
        tries.welcome(request, response);
        return key(opened, doors.student(opened, studentId), request, model);
    }

    private String key(Opened opened, ClassStudent student, HttpServletRequest request, Model model) {
        show(opened, model);
        model.addAttribute("student", student);
        model.addAttribute("pictures", KeyPicture.values());
        model.addAttribute("shut", doors.isShut(student, tries.from(request)));
        return "classroom/door-key";
    }

    private void show(Opened opened, Model model) {
        model.addAttribute("opened", opened);
        model.addAttribute("words", messages.forBrowser("door"));
    }

    /** @param key the pictures that were pressed, in order */
    @PostMapping("/door/{token}/{studentId}")
    String enter(
            @PathVariable String token,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "") String key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Opened opened = doors.open(token);
        ClassStudent student = doors.student(opened, studentId);
        Tried tried = doors.tryKey(student, key, tries.from(request));
        if (tried == Tried.RIGHT) {
            signIns.enter(DoorService.actor(opened, student), request, response);
            way.remember(token, request, response);
            return "redirect:/my";
        }
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        String shown = key(opened, student, request, model);
        model.addAttribute("shut", tried == Tried.SHUT);
        model.addAttribute(tried == Tried.SLOWER ? "slower" : "wrong", tried != Tried.SHUT ? true : null);
        return shown;
    }

    /** The code on a card: where cards are enough, one press more and she is in. */
    @GetMapping("/door/{token}/card/{card}")
    String card(@PathVariable String token, @PathVariable String card, HttpServletRequest request, Model model) {
        Opened opened = doors.open(token);
        ClassStudent student = doors.ofCard(opened, card);
        if (opened.schoolClass().keyNeeded()) {
            return key(opened, student, request, model);
        }
        show(opened, model);
        model.addAttribute("student", student);
        model.addAttribute("card", card);
        return "classroom/door-card";
    }

    @PostMapping("/door/{token}/card/{card}")
    String enterByCard(
            @PathVariable String token,
            @PathVariable String card,
            HttpServletRequest request,
            HttpServletResponse response) {
        Opened opened = doors.open(token);
        ClassStudent student = doors.ofCard(opened, card);
        if (opened.schoolClass().keyNeeded()) {
            return "redirect:/door/" + token + "/" + student.id();
        }
        signIns.enter(DoorService.actor(opened, student), request, response);
        way.remember(token, request, response);
        return "redirect:/my";
    }

    /** How a child is called. */
    @GetMapping("/door/{token}/{studentId}/name.mp3")
    ResponseEntity<Resource> name(
            @PathVariable String token, @PathVariable String studentId, HttpServletRequest request) throws IOException {
        Opened opened = doors.open(token);
        ClassStudent student = doors.student(opened, studentId);
        if (!student.isNameSaid()) {
            throw new NotFoundException("name");
        }
        return media.serve(student.nameSound(), MediaResponses.MP3, request);
    }

    @ExceptionHandler(NotFoundException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "classroom/no-door";
    }
}
