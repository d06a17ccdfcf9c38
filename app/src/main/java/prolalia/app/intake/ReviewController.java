package prolalia.app.intake;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.intake.IntakeService.Deed;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.place.Area;
import prolalia.formats.paper.PaperPage;

/** A paper as it is looked over, page by page, before it is taken. */
@Controller
class ReviewController {
    private final IntakeService intake;
    private final LessonService lessons;
    private final MediaResponses media;
    private final Messages messages;

    ReviewController(IntakeService intake, LessonService lessons, MediaResponses media, Messages messages) {
        this.intake = intake;
        this.lessons = lessons;
        this.media = media;
        this.messages = messages;
    }

    /**
     * What the browser is told of a page.
     *
     * @param changes how many can be taken back
     */
    record Shown(List<ProposedLine> lines, List<ShownSound> sounds, int changes, int wantedLines) {}

    /**
     * A sound of the file.
     *
     * @param line the id of the line that it says; null: of none as yet
     */
    record ShownSound(String name, String line, Area area) {}

    @GetMapping("/papers/{id}/pages/{number:[0-9]{1,4}}")
    String page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam(defaultValue = "0") int over,
            Model model) {
        StoredPaper paper = intake.paper(teacher.actor(), id);
        if (paper.state() != State.READ) {
            return "redirect:/papers/" + id;
        }
        model.addAttribute("paper", paper);
        model.addAttribute("page", intake.page(teacher.actor(), id, number));
        model.addAttribute("pages", intake.pages(teacher.actor(), id));
        model.addAttribute("lesson", lessons.head(teacher.actor(), paper.lessonId()));
        model.addAttribute("over", over);
        model.addAttribute("kinds", FoundKind.values());
        model.addAttribute("words", messages.forBrowser("review"));
        return "intake/review";
    }

    @GetMapping("/papers/{id}/pages/{number}/lines")
    @ResponseBody
    Shown lines(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable int number) {
        return shown(teacher, id, intake.page(teacher.actor(), id, number));
    }

    @PostMapping("/papers/{id}/pages/{number}/lines")
    @ResponseBody
    Shown change(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            @RequestBody Deed deed) {
        return shown(teacher, id, intake.change(teacher.actor(), id, number, deed));
    }

    private Shown shown(SignedInTeacher teacher, String id, StoredPage page) {
        return new Shown(
                page.proposal().lines(),
                sounds(page),
                page.changes(),
                intake.paper(teacher.actor(), id).lines());
    }

    private static List<ShownSound> sounds(StoredPage page) {
        List<String> said = page.proposal().sounds();
        List<PaperPage.Sound> found = page.parts().sounds();
        return IntStream.range(0, Math.min(said.size(), found.size()))
                .mapToObj(i -> new ShownSound(
                        found.get(i).name(), said.get(i), found.get(i).area()))
                .toList();
    }

    /** A sound of the file, to be heard before it is decided which line it says. @param sound counts from 0 */
    @GetMapping("/papers/{id}/pages/{number}/sounds/{sound}")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            @PathVariable int sound,
            HttpServletRequest request)
            throws IOException {
        List<PaperPage.Sound> sounds =
                intake.page(teacher.actor(), id, number).parts().sounds();
        if (sound < 0 || sound >= sounds.size()) {
            throw new NotFoundException("sound");
        }
        return media.serve(sounds.get(sound).file(), MediaType.APPLICATION_OCTET_STREAM, request);
    }

    /** Whether a page is to come into the lesson. */
    @PostMapping("/papers/{id}/pages/{number}/want")
    String want(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam boolean wanted) {
        intake.want(teacher.actor(), id, number, wanted);
        return "redirect:/papers/" + id + "/pages/" + number;
    }

    @GetMapping("/papers/{id}/pages/{number}/picture")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            HttpServletRequest request)
            throws IOException {
        StoredPage page = intake.page(teacher.actor(), id, number);
        if (page.pictureHash() == null) {
            throw new NotFoundException("picture");
        }
        return media.serve(page.pictureHash(), MediaType.valueOf(page.pictureType()), request);
    }
}
