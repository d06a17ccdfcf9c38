package prolalia.app.intake;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.intake.PaperSoundStore.PaperSound;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.PageSourceStore;
import prolalia.app.lesson.PageSourceStore.PageSource;
import prolalia.app.lesson.PageSourceStore.Type;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BegunWork;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.sound.FileTakes;
import prolalia.app.stage.PageInk;
import prolalia.app.stage.StageService;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.intake.SoundsOfLines;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.Area;
import prolalia.core.page.PageElement;
import prolalia.core.page.Paths;
import prolalia.core.page.SpotPlacing;
import prolalia.core.script.PastedScript.ReadLine;
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
    private final PageSourceStore sources;
    private final LessonStore lessons;
    private final LineStore lines;
    private final StageService stages;
    private final MediaStore media;
    private final PageInk ink;
    private final FileTakes takes;
    private final Clock clock;
    private final BackgroundWork worker;

    PaperImporter(
            PaperStore store,
            PaperSoundStore sounds,
            PageSourceStore sources,
            LessonStore lessons,
            LineStore lines,
            StageService stages,
            MediaStore media,
            PageInk ink,
            FileTakes takes,
            Clock clock,
            BegunWork begun) {
        this.store = store;
        this.sounds = sounds;
        this.sources = sources;
        this.lessons = lessons;
        this.lines = lines;
        this.stages = stages;
        this.media = media;
        this.ink = ink;
        this.takes = takes;
        this.clock = clock;
        worker = new BackgroundWork("paper-sounds", begun, this::takeSounds, this::setAside);
    }

    /** The first sound that is left is the one that ended the server; its line stays silent. */
    private void setAside(String paperId) {
        sounds.of(paperId).stream().findFirst().ifPresent(sounds::remove);
        worker.in(1_000, paperId);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        sounds.waiting().forEach(worker::soon);
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
    @Transactional
    void take(StoredPaper paper) {
        if (!store.end(paper.id(), State.READ, State.TAKEN, null)) {
            return;
        }
        List<StoredPage> wanted =
                store.pages(paper.id()).stream().filter(StoredPage::wanted).toList();
        lessons.removeUntouchedPage(paper.lessonId(), clock.millis());
        int over = lessons.countPages(paper.lessonId()) + wanted.size() - LessonService.MOST_PAGES;
        if (over > 0) {
            throw new TooManyPagesException(over);
        }
        Map<Integer, String> pageIds = new HashMap<>();
        for (StoredPage page : wanted) {
            String pageId = lessons.addPage(paper.lessonId(), clock.millis());
            pageIds.put(page.number(), pageId);
            if (page.pictureHash() != null) {
                lessons.setPicture(pageId, page.pictureHash(), page.pictureType(), pictureWords(page));
                lessons.setPictureSize(pageId, page.width(), page.height());
            }
            store.taken(paper.id(), page.number(), pageId);
            sources.add(pageId, new PageSource(paper.rawHash(), Type.of(paper.fileName()), page.number()));
        }
        int number = 0;
        for (StoredPage page : wanted) {
            number = take(paper, page, pageIds, number);
        }
    }

    /** What a picture shows is told by the words on it. */
    private static String pictureWords(StoredPage page) {
        String words = String.join(
                " ", page.proposal().lines().stream().map(ProposedLine::text).toList());
        return words.length() <= 300 ? words : words.substring(0, 300);
    }

    private int take(StoredPaper paper, StoredPage page, Map<Integer, String> pageIds, int soundsBefore) {
        String pageId = pageIds.get(page.number());
        List<ProposedLine> proposed = page.proposal().wanted();
        List<ReadLine> read = new ArrayList<>();
        proposed.forEach(line -> read.add(new ReadLine(line.kind().becomes().orElseThrow(), line.text())));
        boolean soundAlone = proposed.isEmpty() && !page.parts().sounds().isEmpty();
        if (soundAlone) {
            read.add(new ReadLine(LineKind.DIRECTION, ""));
        }
        List<String> lineIds =
                lines.addAll(pageId, read).stream().map(placed -> placed.id()).toList();
        List<Integer> placed = IntStream.range(0, proposed.size())
                .filter(line -> proposed.get(line).hasPlace())
                .boxed()
                .toList();
        List<Area> marks = SpotPlacing.besideEach(
                placed.stream().map(line -> proposed.get(line).area()).toList(),
                ink.of(page.pictureHash()),
                page.parts().jumps().stream().map(PaperPage.Jump::area).toList(),
                page.aspect());
        List<PageElement> things = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            things.add(new PageElement.Spot(newId(), marks.get(i), lineIds.get(placed.get(i)), true));
        }
        for (PaperPage.Jump jump : page.parts().jumps()) {
            if (pageIds.containsKey(jump.toNumber())) {
                things.add(new PageElement.Jump(newId(), jump.area(), pageIds.get(jump.toNumber()), Paths.Kind.PLAIN));
            }
        }
        for (PaperPage.Link link : page.parts().links()) {
            if (PageElement.Link.isAddress(link.address())) {
                things.add(new PageElement.Link(
                        newId(), link.area(), StageService.fitting(link.words()), link.address(), false));
            }
        }
        if (!things.isEmpty()) {
            stages.add(pageId, things);
        }
        int number = soundsBefore;
        List<PaperPage.Sound> found = page.parts().sounds();
        List<Optional<Area>> places = soundAlone
                ? List.of(Optional.empty())
                : proposed.stream()
                        .map(line ->
                                Optional.of(line).filter(ProposedLine::hasPlace).map(ProposedLine::area))
                        .toList();
        List<Optional<Integer>> said =
                SoundsOfLines.nearest(found.stream().map(PaperPage.Sound::area).toList(), places);
        for (int i = 0; i < found.size(); i++) {
            if (said.get(i).isPresent()) {
                String lineId = lineIds.get(said.get(i).get());
                sounds.add(new PaperSound(
                        paper.id(),
                        ++number,
                        lineId,
                        found.get(i).name(),
                        found.get(i).file()));
            }
        }
        return number;
    }

    private static String newId() {
        return Ids.newId().substring(0, 8);
    }

    private void takeSounds(String paperId) throws IOException {
        Teacher teacher = new Teacher(store.find(paperId).orElseThrow().teacherId());
        for (PaperSound sound : sounds.of(paperId)) {
            try {
                takes.keep(teacher, sound.lineId(), sound.name(), null, media.file(sound.rawHash()));
            } catch (NotFoundException removed) {
                LOG.info("A line was taken out before its sound came in");
            } catch (IOException | RuntimeException failure) {
                LOG.error("Sound {} of paper {} could not be taken", sound.number(), paperId, failure);
            }
            sounds.remove(sound);
        }
    }

    @Override
    public void destroy() {
        worker.close();
    }
}
