package prolalia.app.archive;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.archive.ArchivedRows.Added;
import prolalia.app.archive.LessonArchiver.Form;
import prolalia.app.archive.LessonArchiver.Written;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.Messages;
import prolalia.app.platform.TooLargeException;
import prolalia.core.lesson.SpeakingName;
import prolalia.formats.archive.ArchiveRefusedException;

/** Lessons as files. */
@Controller
class ArchiveController {
    private final LessonArchiver archiver;
    private final LessonImporter taker;
    private final Messages messages;
    private final IncomingFiles files;

    ArchiveController(LessonArchiver archiver, LessonImporter taker, Messages messages, IncomingFiles files) {
        this.archiver = archiver;
        this.taker = taker;
        this.messages = messages;
        this.files = files;
    }

    @GetMapping("/bring-in-lesson")
    String page(Model model) {
        model.addAttribute("words", messages.forBrowser("arriving", "intake", "archive"));
        return "archive/bring-in-lesson";
    }

    @GetMapping("/lessons/{id}/lesson.zip")
    ResponseEntity<StreamingResponseBody> archive(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        return file(archiver.write(teacher.actor(), id, Form.ARCHIVE), " (lesson).zip", "application/zip");
    }

    @GetMapping("/lessons/{id}/folder.zip")
    ResponseEntity<StreamingResponseBody> folder(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        return file(archiver.write(teacher.actor(), id, Form.WEB), " (folder).zip", "application/zip");
    }

    @GetMapping("/lessons/{id}/book.epub")
    ResponseEntity<StreamingResponseBody> book(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        return file(archiver.write(teacher.actor(), id, Form.EPUB), ".epub", "application/epub+zip");
    }

    /** The book whose pages look like the paper. */
    @GetMapping("/lessons/{id}/pages.epub")
    ResponseEntity<StreamingResponseBody> bookOfPages(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        return file(archiver.write(teacher.actor(), id, Form.EPUB_PAGES), " (pages).epub", "application/epub+zip");
    }

    @GetMapping("/lessons/{id}/slides.pptx")
    ResponseEntity<StreamingResponseBody> slides(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        return file(
                archiver.write(teacher.actor(), id, Form.PPTX),
                ".pptx",
                "application/vnd.openxmlformats-officedocument.presentationml.presentation");
    }

    private static ResponseEntity<StreamingResponseBody> file(Written written, String ending, String type)
            throws IOException {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf(type))
                .contentLength(Files.size(written.file()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(SpeakingName.of(written.title()) + ending, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(out -> {
                    try {
                        Files.copy(written.file(), out);
                    } finally {
                        Files.deleteIfExists(written.file());
                    }
                });
    }

    /** Brings a saved lesson in; answers where it is. */
    @PutMapping("/bring-in-lesson")
    @ResponseBody
    Map<String, String> bringIn(@AuthenticationPrincipal SignedInTeacher teacher, HttpServletRequest request)
            throws IOException, ArchiveRefusedException {
        Added added = taker.take(teacher.actor(), files.open(request, LessonImporter.LARGEST_BYTES));
        String prompts = added.prompts() > 0 ? "?prompts=" + added.prompts() : "";
        return Map.of("at", "/lessons/" + added.lessonId() + prompts);
    }

    @ExceptionHandler(ArchiveRefusedException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> refused(ArchiveRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Map.of("why", messages.say(refused.reason().messageKey(), refused.detail())));
    }

    @ExceptionHandler(TooLargeException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                .body(Map.of("why", messages.say("archive.TOO_LARGE", "")));
    }
}
