package prolalia.app.code;

import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.code.CodeService.Code;
import prolalia.app.code.CodeService.What;
import prolalia.app.code.GeneratedFiles.Made;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.link.CodeLinks;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.SchoolAddress;
import prolalia.app.school.SchoolAddress.Address;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.LabelSheet;
import prolalia.core.code.SchoolHours;
import prolalia.core.code.SheetGrid.MisfitException;
import prolalia.core.code.SheetPaper;
import prolalia.core.lesson.SpeakingName;
import prolalia.formats.code.CodeImage;
import prolalia.formats.code.CodeList;
import prolalia.formats.code.CodeSheet;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.code.SheetPdf;
import prolalia.formats.code.SheetSvg;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.lesson.ZipOut;

/** The codes of a lesson. */
@Controller
class CodeController {
    private static final int SHOWN_SHEETS = 3;

    private final CodeService codes;
    private final CodeLinks links;
    private final StampService stamped;
    private final LessonService lessons;
    private final SchoolAddress addresses;
    private final Messages messages;
    private final Clock clock;

    CodeController(
            CodeService codes,
            CodeLinks links,
            StampService stamped,
            LessonService lessons,
            SchoolAddress addresses,
            Messages messages,
            Clock clock) {
        this.codes = codes;
        this.links = links;
        this.stamped = stamped;
        this.lessons = lessons;
        this.addresses = addresses;
        this.messages = messages;
        this.clock = clock;
    }

    @GetMapping("/lessons/{id}/codes")
    String codes(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletRequest request,
            Model model) {
        Address address = addresses.address(request);
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        List<Code> all = codes.codes(
                teacher.actor(),
                lesson,
                address.base(),
                new CodeUsePicture.Clock(clock.instant(), ZoneId.systemDefault()));
        model.addAttribute("lesson", lesson);
        model.addAttribute("codes", all);
        model.addAttribute("whats", What.values());
        model.addAttribute("base", address.base());
        model.addAttribute("thisMachineOnly", address.thisMachineOnly());
        model.addAttribute("layouts", Layout.values());
        model.addAttribute("papers", SheetPaper.values());
        model.addAttribute("labelSheets", LabelSheet.values());
        model.addAttribute("canStamp", stamped.canStamp(lesson.ref()));
        model.addAttribute("when", messages);
        model.addAttribute("words", messages.forBrowser("codes"));
        return "code/codes";
    }

    /** Codes for all pages, questions, lines or stations that have none as yet. */
    @PostMapping("/lessons/{id}/codes")
    String make(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam("made") What what,
            RedirectAttributes said) {
        int made = codes.make(teacher.actor(), id, what);
        said.addFlashAttribute("said", messages.say(made == 0 ? "codes.noneMade" : "codes.made", made));
        return back(id);
    }

    /** A code for one page, or one line of it. */
    @PostMapping("/lessons/{id}/codes/one")
    String makeOne(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String page,
            @RequestParam(required = false) String line,
            RedirectAttributes said) {
        int made = codes.makeOne(teacher.actor(), id, page, line);
        said.addFlashAttribute("said", messages.say(made == 0 ? "codes.noneMade" : "codes.made", made));
        return back(id);
    }

    @PostMapping("/lessons/{id}/codes/withdraw")
    String withdraw(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> codes) {
        links.withdraw(teacher.actor(), id, codes);
        return back(id);
    }

    @PostMapping("/lessons/{id}/codes/open")
    String open(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> codes) {
        links.open(teacher.actor(), id, codes);
        return back(id);
    }

    @PostMapping("/lessons/{id}/codes/renew")
    String renew(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> codes) {
        links.renew(teacher.actor(), id, codes);
        return back(id);
    }

    /** They lead nowhere after a day; without one they don't end. */
    @PostMapping("/lessons/{id}/codes/end")
    String end(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) LocalDate day,
            @RequestParam(defaultValue = "") List<String> codes) {
        Long at = day == null
                ? null
                : day.plusDays(1)
                        .atStartOfDay(ZoneId.systemDefault())
                        .toInstant()
                        .toEpochMilli();
        links.end(teacher.actor(), id, codes, at);
        return back(id);
    }

    /** They open in school hours alone; without times, always. */
    @PostMapping("/lessons/{id}/codes/hours")
    String hours(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "") List<String> codes,
            RedirectAttributes said) {
        Optional<SchoolHours> hours = SchoolHours.between(from, to);
        if (hours.isEmpty() && !(from + to).isBlank()) {
            said.addFlashAttribute("said", messages.say("codes.noHours"));
        } else {
            links.openIn(teacher.actor(), id, codes, hours.orElse(null));
        }
        return back(id);
    }

    private static String back(String lessonId) {
        return "redirect:/lessons/" + lessonId + "/codes";
    }

    /** The first sheets as they will be printed. */
    @GetMapping("/lessons/{id}/codes/preview")
    String preview(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            SheetWish wish,
            HttpServletRequest request,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        try {
            CodeSheet sheet = sheet(teacher, lesson, wish, request);
            List<String> shown = new ArrayList<>();
            for (int i = 0; i < Math.min(SHOWN_SHEETS, sheet.sheets().size()); i++) {
                shown.add(SheetSvg.of(sheet, i));
            }
            model.addAttribute("sheets", shown);
            model.addAttribute("count", sheet.sheets().size());
            model.addAttribute("leftOut", sheet.leftOut());
        } catch (MisfitException misfit) {
            model.addAttribute("misfit", misfit.misfit());
        }
        return "code/preview";
    }

    @GetMapping("/lessons/{id}/codes/sheet.pdf")
    ResponseEntity<byte[]> sheet(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            SheetWish wish,
            HttpServletRequest request)
            throws MisfitException {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        CodeSheet sheet = sheet(teacher, lesson, wish, request);
        printed(teacher, lesson, wish.codes(), request);
        String title = lesson.summary().title();
        return file(SheetPdf.of(sheet, title), "application/pdf", SpeakingName.of(title) + " (codes).pdf");
    }

    private CodeSheet sheet(SignedInTeacher teacher, LessonView lesson, SheetWish wish, HttpServletRequest request)
            throws MisfitException {
        return CodeSheet.of(
                items(teacher, lesson, wish.codes(), request), wish.arrangement(), wish.grid(), wish.usedUp());
    }

    private List<Item> items(
            SignedInTeacher teacher, LessonView lesson, List<String> tokens, HttpServletRequest request) {
        return codes.items(teacher.actor(), lesson, base(request), tokens);
    }

    private void printed(SignedInTeacher teacher, LessonView lesson, List<String> tokens, HttpServletRequest request) {
        links.printed(teacher.actor(), lesson.summary().id(), tokens, base(request));
    }

    /** Puts codes on the papers that the lesson was made of; answers what became of it, and where they are. */
    @PostMapping("/lessons/{id}/codes/paper")
    String paper(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam("where") Manner manner,
            @RequestParam(defaultValue = "false") boolean signed,
            HttpServletRequest request,
            Model model)
            throws IOException {
        model.addAttribute("made", stamped.papers(teacher.actor(), id, base(request), manner, signed));
        model.addAttribute("where", manner);
        model.addAttribute("lessonId", id);
        return "code/stamped";
    }

    /** Writes the lesson as slides with a code on each. */
    @PostMapping("/lessons/{id}/codes/slides")
    String slides(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletRequest request,
            Model model)
            throws IOException {
        model.addAttribute("made", List.of(stamped.slides(teacher.actor(), id, base(request))));
        model.addAttribute("lessonId", id);
        return "code/stamped";
    }

    /** A file that was made so. */
    @GetMapping("/lessons/{id}/codes/files/{made}")
    ResponseEntity<Resource> made(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable("made") String token) {
        Made made = stamped.file(teacher.actor(), id, token);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf(made.type()))
                .cacheControl(CacheControl.noStore())
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(made.name()))
                .body(new FileSystemResource(made.file()));
    }

    private String base(HttpServletRequest request) {
        return addresses.address(request).base();
    }

    /** All codes as pictures, with a list. */
    @GetMapping("/lessons/{id}/codes.zip")
    ResponseEntity<byte[]> zip(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        List<Item> items = items(teacher, lesson, List.of(), request);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ZipOut zip = new ZipOut(bytes);
        zip.put("codes.csv", CodeList.write(items));
        int number = 1;
        for (Item item : items) {
            String name = String.format("%03d %s", number++, SpeakingName.of(item.name()));
            CodeImage code = CodeImage.of(item.address());
            zip.put(name + ".png", code.png());
            zip.put(name + ".svg", code.svg().getBytes(StandardCharsets.UTF_8));
        }
        zip.finish();
        printed(teacher, lesson, List.of(), request);
        String title = SpeakingName.of(lesson.summary().title());
        return file(bytes.toByteArray(), "application/zip", title + " (codes).zip");
    }

    /** One code as a picture. */
    @GetMapping("/lessons/{id}/codes/{code}.{type:png|svg}")
    ResponseEntity<byte[]> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String code,
            @PathVariable String type,
            HttpServletRequest request) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        Item item = items(teacher, lesson, List.of(code), request).stream()
                .findFirst()
                .orElseThrow(() -> new NotFoundException("code"));
        CodeImage image = CodeImage.of(item.address());
        return type.equals("png")
                ? file(image.png(), "image/png", SpeakingName.of(item.name()) + ".png")
                : file(
                        image.svg().getBytes(StandardCharsets.UTF_8),
                        "image/svg+xml",
                        SpeakingName.of(item.name()) + ".svg");
    }

    private static ResponseEntity<byte[]> file(byte[] content, String type, String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf(type))
                .cacheControl(CacheControl.noStore())
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(name))
                .body(content);
    }

    private static String attachment(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }
}
