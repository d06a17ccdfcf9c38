package prolalia.app.archive;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.bench.TakeEditTransfer;
import prolalia.app.bench.TakeEditTransfer.Held;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Lessons;
import prolalia.app.library.PromptService;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.pages.PageSource;
import prolalia.app.pages.PageSource.Type;
import prolalia.app.spoken.TakeImporter;
import prolalia.app.spoken.TakeImporter.ImportedTake;
import prolalia.app.stage.StageService;
import prolalia.app.wordtimes.WordTimeService;
import prolalia.core.align.WordMending;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.Prompt;
import prolalia.core.page.EveryPage.Otherwise;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;

/** Writes a lesson that comes back into the house's tables, under ids of its own. */
@Component
class ArchivedRows {
    private final LessonService lessons;
    private final Lessons lessonStore;
    private final LessonPages pageStore;
    private final LessonLines lines;
    private final TakeImporter takes;
    private final TakeEditTransfer edits;
    private final StageService stages;
    private final PromptService prompts;
    private final WordTimeService times;
    private final Clock clock;

    ArchivedRows(
            LessonService lessons,
            Lessons lessonStore,
            LessonPages pageStore,
            LessonLines lines,
            TakeImporter takes,
            TakeEditTransfer edits,
            StageService stages,
            PromptService prompts,
            WordTimeService times,
            Clock clock) {
        this.lessons = lessons;
        this.lessonStore = lessonStore;
        this.pageStore = pageStore;
        this.lines = lines;
        this.takes = takes;
        this.edits = edits;
        this.stages = stages;
        this.prompts = prompts;
        this.times = times;
        this.clock = clock;
    }

    /**
     * What was found in the files of an archive.
     *
     * @param hashes the names that its files have in the media store, by their paths in the archive
     */
    record Listened(
            Map<ArchivedTake, ImportedTake> takes, Map<String, String> hashes, Map<String, String> pictureTypes) {}

    /** @param prompts how many prompts came with it, and are heard from now on */
    record Added(String lessonId, int prompts) {}

    /** Within a transaction. */
    Added add(Teacher teacher, String title, ArchivedLesson lesson, Listened found) {
        LessonRef made = lessons.beginEmpty(teacher, title);
        Map<String, String> pageIds = new HashMap<>();
        Map<String, String> lineIds = new HashMap<>();
        for (ArchivedPage page : lesson.pages()) {
            String pageId = pageStore.add(made, clock.millis());
            if (page.title() != null && !page.title().isBlank()) {
                pageStore.setTitle(pageId, page.title().strip());
            }
            pageIds.put(page.id(), pageId);
            if (page.picture() != null) {
                String hash = page.picture().sha256();
                String shows = Objects.requireNonNullElse(page.picture().shows(), "");
                pageStore.setPicture(pageId, hash, found.pictureTypes().get(hash), shows);
                if (page.picture().width() != null && page.picture().height() != null) {
                    pageStore.setPictureSize(
                            pageId, page.picture().width(), page.picture().height());
                }
            }
            if (page.slide() != null && page.slide().number() != null) {
                pageStore.setSource(
                        pageId,
                        new PageSource(
                                found.hashes().get(page.slide().file()),
                                Type.SLIDES,
                                page.slide().number()));
            }
            addLines(teacher, page, pageId, lineIds, found);
        }
        Map<String, String> placed = new HashMap<>(found.pictureTypes());
        placed.keySet().retainAll(lesson.pictures().keySet());
        stages.bringInPictures(made, placed);
        for (ArchivedPage page : lesson.pages()) {
            stages.bringIn(pageIds.get(page.id()), renamed(page.placed(), pageIds, lineIds));
        }
        lessonStore.setSettings(made, lesson.settings());
        stages.bringIn(made.id(), renamed(lesson.every(), pageIds, lineIds));
        return new Added(made.id(), addPrompts(teacher, lesson, found));
    }

    private int addPrompts(Teacher teacher, ArchivedLesson lesson, Listened found) {
        if (lesson.prompts().isEmpty()) {
            return 0;
        }
        Map<Prompt, String> places = new HashMap<>(prompts.toVoice(teacher));
        places.keySet().retainAll(lesson.prompts().keySet());
        places.forEach((prompt, lineId) -> {
            ArchivedTake take = lesson.prompts().get(prompt);
            lines.setWords(lineId, take.words());
            add(teacher, take, found.takes().get(take), take.words(), true, lineId);
        });
        return places.size();
    }

    private void addLines(
            Teacher teacher, ArchivedPage page, String pageId, Map<String, String> lineIds, Listened found) {
        List<ReadLine> read = page.lines().stream()
                .map(line -> new ReadLine(line.traits(), line.words()))
                .toList();
        List<String> added =
                lines.addAll(pageId, read).stream().map(each -> each.id()).toList();
        for (int i = 0; i < added.size(); i++) {
            ArchivedLine line = page.lines().get(i);
            lineIds.put(line.id(), added.get(i));
            // The newest is written first, and comes last.
            for (int t = line.takes().size() - 1; t >= 0; t--) {
                ArchivedTake take = line.takes().get(t);
                add(teacher, take, found.takes().get(take), line.words(), take.kept(), added.get(i));
            }
        }
    }

    /** @param heard whether it is what students hear of the line */
    private void add(
            Teacher teacher, ArchivedTake take, ImportedTake ready, String words, boolean heard, String lineId) {
        String takeId = takes.add(teacher, lineId, ready);
        if (!take.edits().isEmpty()) {
            edits.bringIn(takeId, new Held(take.trim(), take.plainEdits()));
        }
        if (!heard) {
            return;
        }
        lines.keep(lineId, takeId);
        List<Word> said = take.plainTimes().stream()
                .filter(word -> word.span().endMs() <= ready.durationMs())
                .toList();
        if (!said.isEmpty() && said.size() == take.times().size() && WordMending.fits(said, words)) {
            times.bringIn(takeId, words, said);
        }
    }

    /** What leads to lines and pages leads to those that were made of them; what leads to none is left out. */
    private static Placed renamed(Placed placed, Map<String, String> pageIds, Map<String, String> lineIds) {
        List<PageElement> things = placed.things().stream()
                .map(thing -> thing.at(thing.area().onPage()))
                .flatMap(thing -> thing.withReferences(lineIds::get, pageIds::get).stream())
                .toList();
        PageSettings manner = placed.manner();
        Map<String, Otherwise> otherwise = new HashMap<>();
        manner.otherwise()
                .forEach((thing, own) -> otherwise.put(thing, new Otherwise(own.leftOut(), lineIds.get(own.lineId()))));
        return new Placed(things, new PageSettings(manner.rule(), manner.example(), otherwise));
    }
}
