package prolalia.app.player;

import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.lesson.PromptStore;
import prolalia.app.lesson.PromptStore.Voice;
import prolalia.app.stage.StageService;
import prolalia.core.given.GivenLesson;
import prolalia.core.lesson.Prompt;

/** Lessons as they are given to students, whole. */
@Service
public class GivenLessons {
    private final LessonService lessons;
    private final StageService stages;
    private final PromptStore prompts;

    GivenLessons(LessonService lessons, StageService stages, PromptStore prompts) {
        this.prompts = prompts;
        this.lessons = lessons;
        this.stages = stages;
    }

    public GivenLesson of(LessonSummary summary) {
        return stages.given(lessons.view(summary), sounds(prompts.ofLesson(summary.id())));
    }

    private static Map<Prompt, String> sounds(Map<Prompt, Voice> voices) {
        return voices.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().soundHash()));
    }

    /** The takes in which the teacher of a lesson says what its pages say themselves. */
    public Map<Prompt, String> promptTakes(LessonSummary summary) {
        return prompts.ofLesson(summary.id()).entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().takeId()));
    }
}
