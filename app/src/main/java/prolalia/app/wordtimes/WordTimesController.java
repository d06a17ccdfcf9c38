package prolalia.app.wordtimes;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Messages;
import prolalia.app.spoken.TakeService;
import prolalia.app.wordtimes.WordTimeService.Times;
import prolalia.core.align.WordTimes.Word;

/** When the words of a line light up, looked at and mended by the teacher. */
@Controller
class WordTimesController {
    private final WordTimeService times;
    private final LessonService lessons;
    private final TakeService takes;
    private final Messages messages;

    WordTimesController(WordTimeService times, LessonService lessons, TakeService takes, Messages messages) {
        this.times = times;
        this.lessons = lessons;
        this.takes = takes;
        this.messages = messages;
    }

    @GetMapping("/lines/{id}/word-times")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("line", lessons.line(teacher.actor(), id));
        model.addAttribute("words", messages.forBrowser("follow"));
        return "wordtimes/word-times";
    }

    @GetMapping("/lines/{id}/word-times/now")
    @ResponseBody
    Times now(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return times.now(takes.heardLine(teacher.actor(), id));
    }

    /** @param startMs where a word is to begin */
    @PostMapping("/lines/{id}/word-times/move")
    @ResponseBody
    Times move(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam int index,
            @RequestParam long startMs) {
        return times.move(takes.heardLine(teacher.actor(), id), index, startMs);
    }

    /** @param taps where the sound was as each word was tapped, in ms */
    @PostMapping("/lines/{id}/word-times/taps")
    @ResponseBody
    Times tap(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestBody List<Long> taps) {
        return times.tap(takes.heardLine(teacher.actor(), id), taps);
    }

    /** All of them at once: as they were before a change. */
    @PutMapping("/lines/{id}/word-times")
    @ResponseBody
    Times put(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestBody List<Word> all) {
        return times.put(takes.heardLine(teacher.actor(), id), all);
    }

    /** As the program finds them. */
    @DeleteMapping("/lines/{id}/word-times")
    @ResponseBody
    Times find(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return times.findAgain(takes.heardLine(teacher.actor(), id));
    }
}
