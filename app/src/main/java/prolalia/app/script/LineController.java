package prolalia.app.script;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.access.LessonRef;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.script.ScriptService.WordsChange;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;
import prolalia.core.script.PastedQuestions;
import prolalia.core.script.PastedScript;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.WordChanges;

/** Changes of single lines and their takes; each but typing answers with the rows that look different now. */
@Controller
class LineController {
    private final ScriptService script;
    private final LessonService lessons;
    private final ReshapedPage reshapedPage;
    private final Messages messages;

    LineController(ScriptService script, LessonService lessons, ReshapedPage reshapedPage, Messages messages) {
        this.script = script;
        this.lessons = lessons;
        this.reshapedPage = reshapedPage;
        this.messages = messages;
    }

    /**
     * What the browser needs after saving words.
     *
     * @param words as they stand on the server
     * @param changes since the take, when the line is outdated
     */
    record SavedWords(boolean saved, int revision, String words, String state, List<WordChanges.Part> changes) {}

    @PutMapping("/lines/{id}/words")
    @ResponseBody
    SavedWords words(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam int revision,
            @RequestParam String words,
            HttpServletResponse response) {
        if (script.areTooLong(words)) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return null;
        }
        WordsChange change = script.changeWords(teacher.actor(), id, revision, words);
        if (!change.saved()) {
            response.setStatus(HttpStatus.CONFLICT.value());
        }
        ScriptLine now = change.line();
        return new SavedWords(
                change.saved(),
                now.revision(),
                now.line().words(),
                now.line().state().name(),
                now.changes());
    }

    @PutMapping("/lines/{id}/kind")
    String kind(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam LineKind kind,
            Model model) {
        return reshaped(script.changeKind(teacher.actor(), id, kind), model);
    }

    /** @param label what stands before its words, such as "3."; empty: nothing */
    @PutMapping("/lines/{id}/label")
    String label(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String label,
            Model model) {
        return reshaped(script.changeLabel(teacher.actor(), id, label), model);
    }

    /** @param lang empty: that of the lesson */
    @PutMapping("/lines/{id}/lang")
    String lang(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String lang,
            Model model) {
        String known =
                lang.isEmpty() ? null : LessonSettings.lang(lang).orElseThrow(() -> new NotFoundException("language"));
        return reshaped(script.changeLang(teacher.actor(), id, known), model);
    }

    /** @param icon none: it has none any more */
    @PutMapping("/lines/{id}/icon")
    String icon(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) StepIcon icon,
            Model model) {
        return reshaped(script.changeIcon(teacher.actor(), id, icon), model);
    }

    @PostMapping("/lines/{id}/steps")
    String steps(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.intoSteps(teacher.actor(), id), model);
    }

    @PostMapping("/lessons/{lessonId}/pages/{pageId}/lines")
    String addAtEnd(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String lessonId,
            @PathVariable String pageId,
            Model model) {
        return reshaped(script.addLineAtEnd(teacher.actor(), lessonId, pageId), model);
    }

    /** @param at where in the words; beyond them: an empty line after this one */
    @PostMapping("/lines/{id}/split")
    String split(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam int at,
            Model model) {
        return reshaped(script.split(teacher.actor(), id, at), model);
    }

    /**
     * Many lines that were pasted into this one.
     *
     * @param wrapped whether one may go over several lines of the text
     */
    @PostMapping("/lines/{id}/paste")
    String paste(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String text,
            @RequestParam(defaultValue = "true") boolean wrapped,
            HttpServletResponse response,
            Model model) {
        List<ReadLine> read = wrapped ? PastedQuestions.read(text) : PastedScript.readEach(text);
        LessonRef lesson =
                lessons.seen(teacher.actor(), lessons.line(teacher.actor(), id).lessonId());
        if (script.faultOf(lesson, read).isPresent()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return null;
        }
        return reshaped(script.pasteUnder(teacher.actor(), id, read), model);
    }

    /**
     * What a text that was pasted into a line would become.
     *
     * @param each how many lines, one for each of its own
     * @param wrapped how many, when those that belong together are one
     * @param fault why they can't be; null: they can
     */
    record PastedLines(int each, int wrapped, String fault) {}

    @PostMapping("/lines/{id}/paste/reading")
    @ResponseBody
    PastedLines pasted(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String text) {
        LessonRef lesson =
                lessons.seen(teacher.actor(), lessons.line(teacher.actor(), id).lessonId());
        List<ReadLine> each = PastedScript.readEach(text);
        String fault = script.faultOf(lesson, each)
                .map(reason -> messages.say("paste." + reason))
                .orElse(null);
        return new PastedLines(each.size(), PastedQuestions.read(text).size(), fault);
    }

    /** To the line above it. */
    @PostMapping("/lines/{id}/join")
    String join(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.join(teacher.actor(), id), model);
    }

    /** @param after the line that it comes after; none: to the top of the page */
    @PostMapping("/lines/{id}/move")
    String move(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String page,
            @RequestParam(defaultValue = "") String after,
            Model model) {
        return reshaped(script.move(teacher.actor(), id, page, after.isEmpty() ? null : after), model);
    }

    @DeleteMapping("/lines/{id}")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.remove(teacher.actor(), id), model);
    }

    /** Gives a take to another line. */
    @PostMapping("/takes/{id}/move")
    String moveTake(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String line,
            Model model) {
        return reshaped(script.moveTake(teacher.actor(), id, line), model);
    }

    /** Out of the library; the script shows what was done, and undoes it. */
    @PostMapping("/lines/{id}/use-take")
    String useTake(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String take) {
        return toLine(script.useTake(teacher.actor(), id, take), id);
    }

    @PostMapping("/lines/{id}/use-standing")
    String useStanding(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String line) {
        return toLine(script.useStanding(teacher.actor(), id, line), id);
    }

    private static String toLine(Reshaped reshaped, String lineId) {
        return "redirect:/lessons/" + reshaped.lesson().id() + "#line-" + lineId;
    }

    /** Nothing is heard on the line any more. */
    @PostMapping("/lines/{id}/silence")
    String silence(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.silence(teacher.actor(), id), model);
    }

    /** The line follows its standing line no more. */
    @PostMapping("/lines/{id}/own")
    String onItsOwn(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.onItsOwn(teacher.actor(), id), model);
    }

    @PostMapping("/lessons/{id}/undo")
    String undo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.undo(teacher.actor(), id), model);
    }

    @PostMapping("/lessons/{id}/redo")
    String redo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped(script.redo(teacher.actor(), id), model);
    }

    private String reshaped(Reshaped reshaped, Model model) {
        return reshapedPage.show(reshaped, model);
    }
}
