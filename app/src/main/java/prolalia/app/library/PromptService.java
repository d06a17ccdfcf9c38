package prolalia.app.library;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonRef;
import prolalia.app.access.LessonSummary;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Messages;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.Prompt;

/** What students' pages say themselves: as it ships, or as standing lines in the teacher's own voice. */
@Service
public class PromptService {
    private final PromptStore store;
    private final LibraryService library;
    private final Lessons lessons;
    private final LessonPages pageStore;
    private final LessonService lessonService;
    private final LessonLines lines;
    private final Messages messages;
    private final java.time.Clock clock;
    private final TransactionTemplate transaction;

    PromptService(
            PromptStore store,
            LibraryService library,
            Lessons lessons,
            LessonPages pageStore,
            LessonService lessonService,
            LessonLines lines,
            Messages messages,
            java.time.Clock clock,
            TransactionTemplate transaction) {
        this.store = store;
        this.library = library;
        this.lessons = lessons;
        this.pageStore = pageStore;
        this.lessonService = lessonService;
        this.lines = lines;
        this.messages = messages;
        this.clock = clock;
        this.transaction = transaction;
    }

    /**
     * A prompt as students hear it.
     *
     * @param takeId of the teacher's own voice; null: it is heard as it ships
     */
    record Spoken(Prompt prompt, String words, String takeId) {
        public String shipped() {
            return "/assets/player/prompts/" + prompt.name().toLowerCase(java.util.Locale.ROOT) + ".mp3";
        }
    }

    /** The prompts that the teacher of a lesson has voiced. */
    public Map<Prompt, PromptVoice> voices(LessonSummary lesson) {
        return store.ofLesson(lesson);
    }

    List<Spoken> ofTeacher(Teacher teacher) {
        Map<Prompt, PromptVoice> voices = store.ofTeacher(teacher.id());
        return Arrays.stream(Prompt.values())
                .map(prompt -> {
                    PromptVoice voice = voices.get(prompt);
                    return voice == null
                            ? new Spoken(prompt, shippedWords(prompt), null)
                            : new Spoken(prompt, voice.words(), voice.takeId());
                })
                .toList();
    }

    /**
     * The lines of the shelf on which prompts that come from elsewhere can be heard, by prompt; none when this teacher has
     * voiced one: a lesson that comes back never speaks over her own voice.
     */
    @Transactional
    public Map<Prompt, String> toVoice(Teacher teacher) {
        if (!store.ofTeacher(teacher.id()).isEmpty()) {
            return Map.of();
        }
        toTheShelf(teacher);
        return store.lines(teacher.id());
    }

    private String shippedWords(Prompt prompt) {
        return messages.say("prompt." + prompt);
    }

    /** Puts the prompts that aren't there on a page of the shelf, to be read like any script; answers the shelf's id. */
    String toTheShelf(Teacher teacher) {
        LessonRef shelf = library.shelf(teacher);
        transaction.executeWithoutResult(status -> {
            Map<Prompt, String> there = store.lines(teacher.id());
            List<Prompt> missing = Arrays.stream(Prompt.values())
                    .filter(prompt -> !there.containsKey(prompt))
                    .toList();
            if (!missing.isEmpty()) {
                String page = pageStore.add(shelf, clock.millis());
                pageStore.setTitle(page, messages.say("library.prompts"));
                missing.forEach(prompt ->
                        store.add(teacher.id(), prompt, lines.add(page, LineKind.LABEL, shippedWords(prompt))));
            }
        });
        return shelf.id();
    }
}
