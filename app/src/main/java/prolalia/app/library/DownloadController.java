package prolalia.app.library;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.bench.BenchService;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.core.lesson.SpeakingName;
import prolalia.core.marking.QuestionWithLines;
import prolalia.formats.archive.SoundArchive;
import prolalia.formats.qti.QtiPackage;

/** Takes as files with names that say what is in them. */
@Controller
class DownloadController {
    private static final MediaType WAV = MediaType.valueOf("audio/wav");
    private static final MediaType ZIP = MediaType.valueOf("application/zip");

    private final BenchService bench;
    private final LessonService lessons;
    private final TakeService takes;
    private final MediaStore media;

    DownloadController(BenchService bench, LessonService lessons, TakeService takes, MediaStore media) {
        this.bench = bench;
        this.lessons = lessons;
        this.takes = takes;
        this.media = media;
    }

    /** @param as "mp3" as students hear it, or "wav" made anew from the original */
    @GetMapping("/takes/{id}/download")
    ResponseEntity<StreamingResponseBody> take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(name = "as", defaultValue = "mp3") String as) {
        StoredTake take = takes.heard(teacher.actor(), id);
        String name = nameOf(teacher.actor(), take);
        return as.equals("wav")
                ? file(name + ".wav", WAV).body(out -> bench.writeWav(take, out))
                : file(name + ".mp3", MediaResponses.MP3).body(out -> Files.copy(media.file(take.soundHash()), out));
    }

    private String nameOf(Teacher teacher, StoredTake take) {
        try {
            ScriptLine line = lessons.line(teacher, take.lineId());
            LessonView lesson = lessons.lesson(teacher, line.lessonId());
            for (PageView page : lesson.pages()) {
                List<String> ids =
                        page.lines().stream().map(each -> each.line().id()).toList();
                if (ids.contains(take.lineId())) {
                    return SpeakingName.of(lesson.summary().title()) + " "
                            + SpeakingName.ofLine(page.number(), ids.indexOf(take.lineId()) + 1, take.words());
                }
            }
        } catch (NotFoundException removed) {
            // Its line was taken out of the script; the take itself still says something.
            return SpeakingName.of(take.words());
        }
        return SpeakingName.of(take.words());
    }

    /** All that is heard in a lesson. */
    @GetMapping("/lessons/{id}/sound.zip")
    ResponseEntity<StreamingResponseBody> lesson(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        LessonView lesson = takes.heard(lessons.seen(teacher.actor(), id));
        String folder = SpeakingName.of(lesson.summary().title());
        StringBuilder script = new StringBuilder(lesson.summary().title()).append("\n");
        List<SoundArchive.Sound> sounds = new ArrayList<>();
        for (PageView page : lesson.pages()) {
            script.append("\n");
            for (int i = 0; i < page.lines().size(); i++) {
                ScriptLine line = page.lines().get(i);
                String name =
                        SpeakingName.ofLine(page.number(), i + 1, line.line().words());
                script.append(name, 0, name.indexOf(' '))
                        .append("  ")
                        .append(line.line().words())
                        .append("\n");
                if (line.soundHash() != null) {
                    sounds.add(new SoundArchive.Sound(name + ".mp3", media.file(line.soundHash())));
                }
            }
        }
        return file(folder + " (sounds).zip", ZIP)
                .body(out -> SoundArchive.write(folder, script.toString(), sounds, out));
    }

    /** Its questions as a QTI package, with their sounds. */
    @GetMapping("/lessons/{id}/questions.zip")
    ResponseEntity<StreamingResponseBody> questions(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        LessonView lesson = takes.heard(lessons.seen(teacher.actor(), id));
        List<QuestionWithLines> questions = new ArrayList<>();
        Map<String, Path> sounds = new HashMap<>();
        for (PageView page : lesson.pages()) {
            questions.addAll(QuestionWithLines.on(
                    page.lines().stream().map(ScriptLine::line).toList()));
            page.lines().stream()
                    .filter(line -> line.soundHash() != null)
                    .forEach(line -> sounds.put(line.line().id(), media.file(line.soundHash())));
        }
        String title = lesson.summary().title();
        String lang = lessons.settings(lesson.ref()).lang();
        return file(SpeakingName.of(title) + " (QTI).zip", ZIP)
                .body(out -> QtiPackage.write(title, lang, questions, sounds, out));
    }

    private static ResponseEntity.BodyBuilder file(String name, MediaType type) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString());
    }
}
