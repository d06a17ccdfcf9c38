package prolalia.app.sharing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.Languages;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.link.LinkService;
import prolalia.app.link.LinkService.GivenLink;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.SchoolAddress;
import prolalia.app.school.SchoolAddress.Address;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.WordsLit;
import prolalia.formats.code.CodeImage;

@Controller
class GiveLinkController {
    private final LinkService links;
    private final LessonService lessons;
    private final SchoolAddress addresses;
    private final Messages messages;

    GiveLinkController(LinkService links, LessonService lessons, SchoolAddress addresses, Messages messages) {
        this.links = links;
        this.lessons = lessons;
        this.addresses = addresses;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/give-link")
    String giveLink(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int switches,
            HttpServletRequest request,
            Model model) {
        Address address = addresses.address(request);
        GivenLink given = links.given(teacher.actor(), id);
        Optional<String> link = given.link().map(token -> forSwitches(plain(address, token), switches));
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        if (lesson.summary().shelf()) {
            throw new NotFoundException("lesson");
        }
        model.addAttribute("lesson", lesson);
        model.addAttribute("switches", switches);
        model.addAttribute("settings", lessons.settings(lesson.ref()));
        model.addAttribute(
                "languages", Languages.offered(lessons.settings(lesson.ref()).lang()));
        model.addAttribute(
                "snippet",
                given.link()
                        .map(token -> Embedding.snippet(
                                address.base(), token, lesson.summary().title(), Embedding.WIDTH, Embedding.HEIGHT))
                        .orElse(null));
        model.addAttribute("link", link.orElse(null));
        model.addAttribute("withdrawn", given.withdrawn());
        model.addAttribute("thisMachineOnly", address.thisMachineOnly());
        model.addAttribute("code", link.map(CodeImage::of).orElse(null));
        Optional<String> preview = Optional.ofNullable(given.preview()).map(each -> each.address(address.base()));
        model.addAttribute("preview", preview.orElse(null));
        model.addAttribute(
                "previewEnds", given.preview() == null ? null : given.preview().endsAt());
        model.addAttribute("previewCode", preview.map(CodeImage::of).orElse(null));
        model.addAttribute("when", messages);
        model.addAttribute("litWays", WordsLit.values());
        model.addAttribute("words", messages.forBrowser("givelink"));
        return "sharing/give-link";
    }

    private static String forSwitches(String link, int switches) {
        return switches == 1 || switches == 2 ? link + "?switches=" + switches : link;
    }

    /** Whether students see the words of what they hear. */
    @PutMapping("/lessons/{id}/words-shown")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void wordsShown(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam boolean shown) {
        lessons.change(teacher.actor(), id, settings -> settings.withWordsHidden(!shown));
    }

    /** Where words light up while they are said. */
    @PutMapping("/lessons/{id}/words-lit")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void wordsLit(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam WordsLit lit) {
        lessons.change(teacher.actor(), id, settings -> settings.withWordsLit(lit));
    }

    /** The language of the lesson's words. */
    @PutMapping("/lessons/{id}/lang")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lang(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String lang) {
        String known = LessonSettings.lang(lang).orElseThrow(() -> new NotFoundException("language"));
        lessons.change(teacher.actor(), id, settings -> settings.withLang(known));
    }

    @PostMapping("/lessons/{id}/link")
    String make(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.give(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link";
    }

    @PostMapping("/lessons/{id}/link/open")
    String open(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.open(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link";
    }

    @PostMapping("/lessons/{id}/link/withdraw")
    String withdraw(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.withdraw(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link";
    }

    @PostMapping("/lessons/{id}/link/renew")
    String renew(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.renew(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link";
    }

    @PostMapping("/lessons/{id}/link/preview")
    String preview(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.preview(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link#preview";
    }

    @PostMapping("/lessons/{id}/link/preview/end")
    String endPreview(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        links.endPreview(teacher.actor(), id);
        return "redirect:/lessons/" + id + "/give-link#preview";
    }

    @GetMapping(path = "/lessons/{id}/code.svg")
    ResponseEntity<byte[]> svg(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String download,
            @RequestParam(defaultValue = "0") int switches,
            HttpServletRequest request) {
        byte[] svg = code(teacher, id, switches, request).svg().getBytes(java.nio.charset.StandardCharsets.UTF_8);
        return image(svg, "image/svg+xml", download == null ? null : "code.svg");
    }

    @GetMapping(path = "/lessons/{id}/code.png")
    ResponseEntity<byte[]> png(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String download,
            @RequestParam(defaultValue = "0") int switches,
            HttpServletRequest request) {
        return image(code(teacher, id, switches, request).png(), "image/png", download == null ? null : "code.png");
    }

    private CodeImage code(SignedInTeacher teacher, String lessonId, int switches, HttpServletRequest request) {
        Address address = addresses.address(request);
        return links.given(teacher.actor(), lessonId)
                .link()
                .map(token -> forSwitches(plain(address, token), switches))
                .map(CodeImage::of)
                .orElseThrow(() -> new NotFoundException("code"));
    }

    private static String plain(Address address, String token) {
        return address.base() + "/l/" + token;
    }

    private static ResponseEntity<byte[]> image(byte[] content, String type, String fileName) {
        ResponseEntity.BodyBuilder response =
                ResponseEntity.ok().contentType(MediaType.valueOf(type)).cacheControl(CacheControl.noStore());
        if (fileName != null) {
            response.header(
                    HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment().filename(fileName).build().toString());
        }
        return response.body(content);
    }
}
