package prolalia.app.script;

import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lines.LessonLines;
import prolalia.app.stage.StageService;
import prolalia.app.workers.PictureReader;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionKind;
import prolalia.core.script.LessonChange;
import prolalia.core.script.QuestionEdits;

/** Makes lines questions that are answered; what that means is worked out in core. */
@Service
class QuestionService {
    private final LessonAccess access;
    private final LessonLines lines;
    private final LessonHistory history;
    private final StageService stages;
    private final PictureReader pictures;

    QuestionService(
            LessonAccess access,
            LessonLines lines,
            LessonHistory history,
            StageService stages,
            PictureReader pictures) {
        this.stages = stages;
        this.pictures = pictures;
        this.access = access;
        this.lines = lines;
        this.history = history;
    }

    /** @param kind empty: it is heard, and not answered */
    Reshaped changeKind(Teacher teacher, String lineId, Optional<AnswerKind> kind) {
        LessonRef lesson = lessonOf(teacher, lineId);
        Question before = lines.shape(lineId).traits().question();
        Question after = kind.map(wanted -> before == null ? Question.of(wanted) : before.withKind(wanted))
                .orElse(null);
        return history.make(lesson, edits(lesson).change(lineId, after));
    }

    /** Changes a question; a line that is none stays as it is. */
    Reshaped change(Teacher teacher, String lineId, UnaryOperator<Question> how) {
        LessonRef lesson = lessonOf(teacher, lineId);
        Question before = lines.shape(lineId).traits().question();
        Optional<LessonChange> change =
                before == null ? Optional.empty() : edits(lesson).change(lineId, how.apply(before));
        return history.make(lesson, change);
    }

    /** Answers what is right as it is understood; empty when it can't be. */
    Optional<String> changeKey(Teacher teacher, String lineId, String typed) {
        LessonRef lesson = lessonOf(teacher, lineId);
        Question before = lines.shape(lineId).traits().question();
        if (before == null) {
            return Optional.of("");
        }
        Optional<Question> after = QuestionKind.of(before).withKey(before, typed);
        after.ifPresent(changed -> history.make(lesson, edits(lesson).change(lineId, changed)));
        return after.map(changed -> QuestionKind.of(changed).key(changed));
    }

    Reshaped turnRight(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).turnRight(lineId));
    }

    Reshaped pair(Teacher teacher, String lineId, int pair) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).pair(lineId, pair));
    }

    /**
     * A question, or a choice, has a picture from now on.
     *
     * @return empty when it is none that can be shown; nothing was changed
     */
    Optional<Reshaped> bringPicture(Teacher teacher, String lineId, InputStream content) throws IOException {
        LessonRef lesson = lessonOf(teacher, lineId);
        return pictures.readOne(content).map(page -> {
            stages.bringInPictures(lesson, Map.of(page.picture(), page.mediaType()));
            return history.make(lesson, edits(lesson).show(lineId, page.picture()));
        });
    }

    Reshaped removePicture(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).show(lineId, null));
    }

    private LessonRef lessonOf(Teacher teacher, String lineId) {
        return access.requireOfLine(teacher, lineId, Right.EDIT);
    }

    private QuestionEdits edits(LessonRef lesson) {
        return new QuestionEdits(lines.script(lesson));
    }
}
