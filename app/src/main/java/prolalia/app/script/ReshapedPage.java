package prolalia.app.script;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;

/** What a script's page puts in place after a change: the lines that look different, and what was done, with a way back. */
@Component
class ReshapedPage {
    private static final String VIEW = "script/reshaped";

    private final LessonService lessons;
    private final LessonHistory history;

    ReshapedPage(LessonService lessons, LessonHistory history) {
        this.lessons = lessons;
        this.history = history;
    }

    String show(Reshaped reshaped, Model model) {
        model.addAttribute("reshaped", reshaped);
        model.addAttribute("settings", lessons.settings(reshaped.lesson()));
        model.addAttribute("outcome", reshaped.outcome());
        model.addAttribute("done", reshaped.done());
        model.addAttribute("pagesChanged", reshaped.changesPages());
        model.addAttribute("moreToUndo", history.canUndo(reshaped.lesson()));
        return VIEW;
    }
}
