package prolalia.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.intake.StoredPaper.PageFacts;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.BackgroundWork.HowFar;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.Proposal;
import prolalia.core.place.Area;

/** Papers, from the file to the proposal that the teacher has looked over. */
@Service
class IntakeService {
    static final long LARGEST_BYTES = 100L << 20;

    private final PaperStore store;
    private final PaperReader reader;
    private final LessonAccess access;
    private final MediaStore media;
    private final Clock clock;

    IntakeService(PaperStore store, PaperReader reader, LessonAccess access, MediaStore media, Clock clock) {
        this.store = store;
        this.reader = reader;
        this.access = access;
        this.media = media;
        this.clock = clock;
    }

    /** Takes a file in; it is on the disk when this returns, and is read from then on. */
    void receive(Teacher teacher, String lessonId, String id, String fileName, InputStream content) throws IOException {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        if (lesson.isShelf()) {
            throw new NotFoundException("lesson");
        }
        String rawHash = media.keep(content);
        store.add(id, lesson, shortened(fileName), rawHash, clock.millis());
        paper(teacher, id);
        reader.readSoon(id, teacher.id());
    }

    private static String shortened(String name) {
        String plain = name.strip();
        return plain.length() <= 200 ? plain : plain.substring(0, 200);
    }

    StoredPaper paper(Teacher teacher, String id) {
        return store.find(id)
                .filter(paper -> access.mayStill(teacher, paper.lessonId(), Right.EDIT))
                .orElseThrow(() -> new NotFoundException("paper"));
    }

    List<StoredPaper> ofLesson(Teacher teacher, String lessonId) {
        return store.ofLesson(access.require(teacher, lessonId, Right.READ));
    }

    /** Of its pages. */
    HowFar progress(String id) {
        return reader.progress(id);
    }

    /** How many papers are read before this one. */
    int before(String id) {
        return reader.before(id);
    }

    void cancel(Teacher teacher, String id) {
        reader.cancel(paper(teacher, id).id());
    }

    @Transactional
    void putAway(Teacher teacher, String id) {
        store.putAway(paper(teacher, id).id(), clock.millis());
    }

    List<PageFacts> pages(Teacher teacher, String id) {
        return store.facts(paper(teacher, id).id());
    }

    StoredPage page(Teacher teacher, String id, int number) {
        return store.page(paper(teacher, id).id(), number).orElseThrow(() -> new NotFoundException("page"));
    }

    /**
     * What a teacher does to a proposal.
     *
     * @param deed its name
     * @param lineId the line that it is done to; null for one that is drawn
     */
    record Deed(Name deed, String lineId, FoundKind kind, String text, Area area, Integer at, Boolean wanted) {
        enum Name {
            WANT,
            KIND,
            TEXT,
            PLACE,
            JOIN,
            SPLIT,
            DRAW,
            MOVE,
            /** Which line a sound says: {@code at} is the sound, from 0. */
            SAY,
            UNDO
        }
    }

    /** Changes what is proposed for a page; what can't be changed so stays as it is. */
    @Transactional
    StoredPage change(Teacher teacher, String id, int number, Deed deed) {
        StoredPaper paper = paper(teacher, id);
        StoredPage page = page(teacher, id, number);
        if (paper.state() == State.READ && deed.deed() == Deed.Name.UNDO) {
            store.takeBack(id, number);
        } else if (paper.state() == State.READ) {
            changed(page, deed)
                    .filter(proposal -> !proposal.equals(page.proposal()))
                    .ifPresent(proposal -> store.propose(id, number, proposal));
        }
        return page(teacher, id, number);
    }

    private static Optional<Proposal> changed(StoredPage page, Deed deed) {
        Proposal before = page.proposal();
        String newId = "n" + Ids.newId().substring(0, 8);
        if (deed.deed() == null) {
            return Optional.empty();
        }
        return switch (deed.deed()) {
            case WANT -> before.want(deed.lineId(), Boolean.TRUE.equals(deed.wanted()));
            case KIND -> deed.kind() != null ? before.kind(deed.lineId(), deed.kind()) : Optional.empty();
            case TEXT -> deed.text() != null ? before.text(deed.lineId(), deed.text()) : Optional.empty();
            case PLACE -> deed.area() != null ? before.place(deed.lineId(), deed.area()) : Optional.empty();
            case JOIN -> before.join(deed.lineId());
            case SPLIT ->
                deed.at() != null ? before.split(deed.lineId(), deed.at(), page.aspect(), newId) : Optional.empty();
            case DRAW -> deed.area() != null ? before.draw(newId, deed.area()) : Optional.empty();
            case MOVE -> deed.at() != null ? before.move(deed.lineId(), deed.at()) : Optional.empty();
            case SAY -> deed.at() != null ? before.say(deed.at(), deed.lineId()) : Optional.empty();
            case UNDO -> Optional.empty();
        };
    }

    @Transactional
    void want(Teacher teacher, String id, int number, boolean wanted) {
        if (paper(teacher, id).state() == State.READ) {
            store.want(id, number, wanted);
        }
    }
}
