package prolalia.app.sound;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.ScriptLine;

@Service
public class TakeService {
    private final TakeStore takes;
    private final LineStore lines;
    private final LessonStore lessonStore;
    private final LessonService lessons;
    private final Clock clock;

    TakeService(TakeStore takes, LineStore lines, LessonStore lessonStore, LessonService lessons, Clock clock) {
        this.takes = takes;
        this.lines = lines;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
        this.clock = clock;
    }

    public StoredTake take(String teacherId, String takeId) {
        return takes.ofTeacher(teacherId, takeId).orElseThrow(() -> new NotHereException("take"));
    }

    /** Makes a take the one that students hear; answers its line as it is now. */
    @Transactional
    public ScriptLine keep(String teacherId, String takeId) {
        StoredTake take = take(teacherId, takeId);
        lines.keep(take.lineId(), takeId);
        ScriptLine line = lessons.line(teacherId, take.lineId());
        lessonStore.touch(line.lessonId(), clock.millis());
        return line;
    }

    /** The teacher heard the take and says that it is fine; it is doubtful no more. */
    @Transactional
    public void accept(String teacherId, String takeId) {
        takes.accept(take(teacherId, takeId).id(), clock.millis());
    }
}
