package prolalia.app.reading;

import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Phone;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.LineRecordings;

/** What the phone of a read-through may do: record its lines, and see their pages. Everything else isn't here for it. */
@Component
class PhoneRights {
    private final PhoneLinks links;
    private final LessonService lessons;
    private final LineRecordings recordings;

    PhoneRights(PhoneLinks links, LessonService lessons, LineRecordings recordings) {
        this.links = links;
        this.lessons = lessons;
        this.recordings = recordings;
    }

    /** As whom it records. */
    Phone toRecord(String token, String recordingId, String lineId) {
        PhoneLink link = link(token);
        if (!link.knows(recordingId)) {
            boolean begins = links.findOpen(token).isPresent() && recordings.isNew(recordingId);
            if (!begins) {
                throw new NotFoundException("read-through for this recording");
            }
            link.begins(recordingId);
        }
        return link.actor();
    }

    /** As whom it goes on with a recording that it began. */
    Phone toGoOn(String token, String recordingId) {
        PhoneLink link = link(token);
        if (!link.knows(recordingId)) {
            throw new NotFoundException("recording");
        }
        return link.actor();
    }

    /** The lesson to which a picture belongs. */
    LessonRef toSee(String token, String pictureHash) {
        PhoneLink link = links.findOpen(token).orElseThrow(() -> new NotFoundException("read-through"));
        LessonView lesson = lessons.lesson(link.teacher(), link.lessonId());
        boolean seen = lesson.pages().stream()
                .filter(page -> pictureHash.equals(page.page().pictureHash()))
                .flatMap(page -> page.lines().stream())
                .anyMatch(line -> link.lineIds().contains(line.line().id()));
        if (!seen) {
            throw new NotFoundException("picture");
        }
        return lesson.ref();
    }

    private PhoneLink link(String token) {
        return links.find(token).orElseThrow(() -> new NotFoundException("read-through"));
    }
}
