package prolalia.app.player;

import org.springframework.stereotype.Service;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.stage.StageService;
import prolalia.core.given.GivenLesson;

/** Lessons as they are given to students, whole. */
@Service
public class GivenLessons {
    private final LessonService lessons;
    private final StageService stages;

    GivenLessons(LessonService lessons, StageService stages) {
        this.lessons = lessons;
        this.stages = stages;
    }

    public GivenLesson of(LessonSummary summary) {
        return stages.given(lessons.view(summary));
    }
}
