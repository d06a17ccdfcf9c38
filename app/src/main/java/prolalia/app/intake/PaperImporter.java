package prolalia.app.intake;

import java.io.IOException;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.intake.PaperSoundStore.PaperSound;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.pages.PageSource;
import prolalia.app.pages.PageSource.Type;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BackgroundWork.Why;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.FileTakes;
import prolalia.app.stage.PageInk;
import prolalia.app.stage.StageService;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.page.PageElement;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.PageEdits;
import prolalia.core.script.PageShape;
import prolalia.formats.paper.PaperPage;

/**
 * Makes pages of a lesson out of a paper that was looked over: all of it or nothing. Its sounds become takes afterwards,
 * one after another; what a stop of the server interrupts is done at the next start.
 */
@Component
class PaperImporter implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(PaperImporter.class);

    private final PaperStore store;
    private final PaperSoundStore sounds;
    private final Lessons lessons;
    private final LessonPages pageStore;
    private final LessonLines lines;
    private final StageService stages;
    private final LessonHistory history;
    private final MediaStore media;
    private final PageInk ink;
    private final FileTakes takes;
    private final TransactionTemplate transaction;
    private final Messages messages;
    private final Clock clock;
    private final BackgroundWork worker;

    PaperImporter(
            PaperStore store,
            PaperSoundStore sounds,
            Lessons lessons,
            LessonPages pageStore,
            LessonLines lines,
            StageService stages,
            LessonHistory history,
            MediaStore media,
            PageInk ink,
            FileTakes takes,
            TransactionTemplate transaction,
            Messages messages,
            Clock clock,
            WorkJournal begun) {
        this.store = store;
        this.sounds = sounds;
        this.lessons = lessons;
        this.pageStore = pageStore;
        this.lines = lines;
        this.stages = stages;
        this.history = history;
        this.media = media;
        this.ink = ink;
        this.takes = takes;
        this.transaction = transaction;
        this.messages = messages;
        this.clock = clock;
        worker = new BackgroundWork("paper-sounds", begun, (id, course) -> takeSounds(id), this::setAside);
    }

    /** The first sound that is left is the one that ended the server, or failed; its line stays silent. */
    private void setAside(String paperId, Why why) {
        sounds.of(paperId).stream().findFirst().ifPresent(sounds::remove);
        worker.in(1_000, paperId);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        worker.soon(sounds.waiting());
    }

    void takeSoundsSoon(String paperId) {
        worker.soon(paperId);
    }

    /** Thrown when a lesson would have more pages than it may; nothing was taken. */
    static final class TooManyPagesException extends RuntimeException {
        private final int over;

        TooManyPagesException(int over) {
            this.over = over;
        }

        /** How many pages are too many. */
        int over() {
            return over;
        }
    }

    /** Adds the wanted pages at the end of the lesson, with their lines, and a spot beside each line. */
    void take(StoredPaper paper) {
        // Before the transaction: pictures take a while to look at.
        List<PlannedPage> planned = store.pages(paper.id()).stream()
                .filter(StoredPage::wanted)
                .map(page -> PlannedPage.of(page, ink.of(page.pictureHash()), () -> ink.fine(page.pictureHash())))
                .toList();
        transaction.executeWithoutResult(status -> {
            if (store.end(paper.id(), State.READ, State.TAKEN, null)) {
                add(paper, planned);
            }
        });
    }

    private void add(StoredPaper paper, List<PlannedPage> planned) {
        LessonRef lesson = lessons.ofHouse(paper.lessonId()).orElseThrow(() -> new NotFoundException("lesson"));
        nameLesson(lesson, paper, planned);
        Map<String, PageShape> before = pageStore.shapes(lesson);
        pageStore.removeUntouchedPage(lesson, clock.millis());
        int over = pageStore.count(lesson) + planned.size() - LessonService.MOST_PAGES;
        if (over > 0) {
            throw new TooManyPagesException(over);
        }
        Map<Integer, String> pageIds = new HashMap<>();
        for (PlannedPage page : planned) {
            pageIds.put(page.page().number(), addPage(lesson, paper, page.page()));
        }
        int number = 0;
        for (PlannedPage page : planned) {
            String pageId = pageIds.get(page.page().number());
            List<String> lineIds = lines.addAll(pageId, page.lines()).stream()
                    .map(placed -> placed.id())
                    .toList();
            List<PageElement> things = page.things(lineIds, pageIds);
            if (!things.isEmpty()) {
                stages.add(pageId, things);
            }
            for (PlannedPage.SaidSound said : page.sounds()) {
                PaperPage.Sound sound = said.sound();
                sounds.add(new PaperSound(paper.id(), ++number, lineIds.get(said.line()), sound.name(), sound.file()));
            }
        }
        remember(lesson, before);
    }

    /** All pages at once are one change, which can be taken back. */
    private void remember(LessonRef lesson, Map<String, PageShape> before) {
        history.keep(lesson, PageEdits.between(Deed.BRING_IN, before, pageStore.shapes(lesson)));
    }

    /** A lesson that nobody named has the name of what comes in: its first heading, or that of the file. */
    private void nameLesson(LessonRef lesson, StoredPaper paper, List<PlannedPage> planned) {
        String untitled = messages.say("lesson.untitled");
        if (lesson.summary().title().equals(untitled)) {
            String title = planned.stream()
                    .flatMap(page -> page.page().proposal().wanted().stream())
                    .filter(line -> line.kind() == FoundKind.HEADING)
                    .map(ProposedLine::text)
                    .findFirst()
                    .orElseGet(() -> paper.fileName().replaceFirst("\\.\\w{1,5}$", ""));
            int most = Math.min(title.length(), LessonLimits.LONGEST_TITLE);
            lessons.rename(lesson, title.substring(0, most), clock.millis());
        }
    }

    private String addPage(LessonRef lesson, StoredPaper paper, StoredPage page) {
        String pageId = pageStore.add(lesson, clock.millis());
        if (page.pictureHash() != null) {
            pageStore.setPicture(pageId, page.pictureHash(), page.pictureType(), pictureWords(page));
            pageStore.setPictureSize(pageId, page.width(), page.height());
        }
        store.taken(paper.id(), page.number(), pageId);
        pageStore.setSource(pageId, new PageSource(paper.rawHash(), Type.of(paper.fileName()), page.number()));
        return pageId;
    }

    /** What a picture shows is told by the words on it. */
    private static String pictureWords(StoredPage page) {
        String words = String.join(
                " ", page.proposal().lines().stream().map(ProposedLine::text).toList());
        return words.length() <= 300 ? words : words.substring(0, 300);
    }

    private void takeSounds(String paperId) throws Exception {
        Teacher teacher = new Teacher(store.find(paperId).orElseThrow().teacherId());
        Exception failed = null;
        for (PaperSound sound : sounds.of(paperId)) {
            try {
                takes.keep(teacher, sound.lineId(), sound.name(), null, media.file(sound.rawHash()));
            } catch (NotFoundException removed) {
                LOG.info("A line was taken out before its sound came in");
            } catch (IOException | RuntimeException failure) {
                // It is tried again; the others don't wait for that.
                failed = failure;
                continue;
            }
            sounds.remove(sound);
        }
        if (failed != null) {
            throw failed;
        }
    }

    @Override
    public void destroy() {
        worker.close();
    }
}
