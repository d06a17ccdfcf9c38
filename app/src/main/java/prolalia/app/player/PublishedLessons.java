package prolalia.app.player;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonRef;
import prolalia.app.library.PromptService;
import prolalia.app.library.PromptVoice;
import prolalia.app.spoken.TakeService;
import prolalia.app.spoken.TakeSounds;
import prolalia.app.stage.StageService;
import prolalia.core.lesson.Prompt;
import prolalia.core.published.PublishedLesson;

/** Lessons as they are given to students, whole. */
@Service
public class PublishedLessons {
    private final TakeService takes;
    private final TakeSounds takeSounds;
    private final StageService stages;
    private final PromptService prompts;

    PublishedLessons(TakeService takes, TakeSounds takeSounds, StageService stages, PromptService prompts) {
        this.prompts = prompts;
        this.takes = takes;
        this.takeSounds = takeSounds;
        this.stages = stages;
    }

    public PublishedLesson of(LessonRef lesson) {
        return stages.given(takes.heard(lesson), sounds(voices(lesson)));
    }

    private Map<Prompt, PromptVoice> voices(LessonRef lesson) {
        Map<Prompt, PromptVoice> voices = prompts.voices(lesson.summary());
        List<String> missing = voices.values().stream()
                .filter(voice -> voice.soundHash() == null)
                .map(PromptVoice::takeId)
                .toList();
        if (!missing.isEmpty()) {
            takeSounds.makeNow(missing);
            voices = prompts.voices(lesson.summary());
        }
        voices.values().removeIf(voice -> voice.soundHash() == null);
        return voices;
    }

    private static Map<Prompt, String> sounds(Map<Prompt, PromptVoice> voices) {
        return voices.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().soundHash()));
    }

    /** The takes in which the teacher of a lesson says what its pages say themselves. */
    public Map<Prompt, String> promptTakes(LessonRef lesson) {
        return voices(lesson).entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().takeId()));
    }
}
