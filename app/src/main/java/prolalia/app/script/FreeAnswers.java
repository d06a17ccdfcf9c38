package prolalia.app.script;

import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.library.LibraryService;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPage;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Ids;
import prolalia.app.platform.Messages;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.LineShape;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.QuestionEdits;

/** Places for whatever a child wants to write, say or draw: on a page of their own, or on every page of a lesson. */
@Service
class FreeAnswers {
    private static final Question FREE = Question.of(AnswerKind.LONG_TEXT)
            .withWays(Set.of(AnswerKind.SPOKEN, AnswerKind.DRAWING))
            .withRequired(false);

    private final LessonAccess access;
    private final LessonLines lines;
    private final LessonPages pages;
    private final LibraryService library;
    private final ScriptService script;
    private final LessonHistory history;
    private final Messages messages;

    FreeAnswers(
            LessonAccess access,
            LessonLines lines,
            LessonPages pages,
            LibraryService library,
            ScriptService script,
            LessonHistory history,
            Messages messages) {
        this.access = access;
        this.lines = lines;
        this.pages = pages;
        this.library = library;
        this.script = script;
        this.history = history;
        this.messages = messages;
    }

    /** Adds a page with nothing but an answer; answers its number, or that of the last page when there are as many as may be. */
    int addPage(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        LineTraits traits = LineTraits.of(LineKind.QUESTION).withQuestion(FREE);
        List<ReadLine> free = List.of(new ReadLine(traits, messages.say("free.words")));
        return script.faultOf(lesson, free).isPresent()
                ? pages.count(lesson)
                : script.addLines(teacher, lessonId, 0, free);
    }

    /** Every page that has no question gets an answer: one standing line, so that it is read once; of a full lesson, none. */
    void addToEveryPage(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        QuestionEdits edits = new QuestionEdits(lines.script(lesson));
        List<String> without = edits.pagesWithoutQuestion(
                pages.of(lesson).stream().map(LessonPage::id).toList());
        boolean tooMany = lines.count(lesson) + without.size() > LessonLimits.MOST_LINES;
        if (lesson.isShelf() || without.isEmpty() || tooMany) {
            return;
        }
        String home = library.standingLine(teacher, LineKind.QUESTION, messages.say("free.words"));
        LineShape said = lines.shape(home);
        LineShape question = new LineShape(
                said.words(),
                said.traits().withKind(LineKind.QUESTION).withQuestion(FREE),
                false,
                said.keptTakeId(),
                null,
                home);
        history.make(lesson, edits.onEveryPage(without, question, Ids::newId));
    }
}
