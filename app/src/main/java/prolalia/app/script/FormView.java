package prolalia.app.script;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.pages.LessonPages;
import prolalia.app.stage.StageService;
import prolalia.core.lesson.Line;
import prolalia.core.marking.FormCheck;
import prolalia.core.marking.FormCheck.Finding;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.script.PageShape;

/** The questions of a lesson as its teacher looks them over. */
@Component
class FormView {
    private static final String SLIDES = "slides";

    private final LessonPages pages;
    private final StageService stages;

    FormView(LessonPages pages, StageService stages) {
        this.stages = stages;
        this.pages = pages;
    }

    /** @param number within the lesson, from 1 */
    record Checked(int number, QuestionWithLines asked, List<Finding> findings) {}

    /** @param points of all together */
    record Form(List<Checked> questions, int points) {
        public List<Checked> found() {
            return questions.stream().filter(each -> !each.findings().isEmpty()).toList();
        }
    }

    Form of(LessonView lesson) {
        List<Checked> questions = new ArrayList<>();
        Map<String, PageShape> shapes = pages.shapes(lesson.ref());
        for (PageView page : lesson.pages()) {
            boolean printed = isPaper(shapes.get(page.page().id()));
            List<Line> lines = page.lines().stream().map(ScriptLine::line).toList();
            List<QuestionWithLines> asked = QuestionWithLines.on(lines).isEmpty()
                    ? List.of()
                    : QuestionWithLines.on(
                            lines, stages.things(page.page().id()), page.page().aspect());
            asked.forEach(each -> questions.add(new Checked(questions.size() + 1, each, FormCheck.of(each, printed))));
        }
        int points = questions.stream()
                .mapToInt(each -> each.asked().question().points())
                .sum();
        return new Form(questions, points);
    }

    private static boolean isPaper(PageShape shape) {
        return shape != null
                && shape.picture() != null
                && shape.picture().source() != null
                && !Objects.equals(shape.picture().source().type(), SLIDES);
    }
}
