package prolalia.app.spoken;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.RecordingOwner.OfLine;
import prolalia.app.spoken.RecordingRight.Beginning;
import prolalia.core.lesson.Take;
import prolalia.core.script.LessonChange.TakeStep;
import prolalia.core.sound.Finding;
import prolalia.media.process.SoundRequest.MadeTake;

@Service
public class TakeService {
    private final TakeStore takes;
    private final LessonLines lines;
    private final Lessons lessonStore;
    private final LessonService lessons;
    private final LessonAccess access;
    private final RecordingStore recordings;
    private final TakeMaker maker;
    private final TakeSounds sounds;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    TakeService(
            TakeStore takes,
            RecordingStore recordings,
            TakeMaker maker,
            TakeSounds sounds,
            LessonLines lines,
            Lessons lessonStore,
            LessonService lessons,
            LessonAccess access,
            ApplicationEventPublisher events,
            Clock clock) {
        this.takes = takes;
        this.recordings = recordings;
        this.maker = maker;
        this.sounds = sounds;
        this.lines = lines;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
        this.access = access;
        this.events = events;
        this.clock = clock;
    }

    /** All takes of a line, newest first. */
    public List<StoredTake> takesOf(String lineId) {
        return takes.ofLine(lineId);
    }

    /**
     * What the sound check finds in takes when they say other words; decodes their recordings, so it belongs before a
     * transaction.
     *
     * @return by take, for those whose words change
     */
    public Map<String, List<Finding>> checkAgain(List<TakeStep> steps) {
        Map<String, List<Finding>> found = new HashMap<>();
        for (TakeStep step : steps) {
            if (step.changesWords()) {
                StoredTake take = takes.find(step.takeId()).orElseThrow(() -> new NotFoundException("take"));
                found.put(take.id(), maker.checkAgain(take, step.after().words()));
            }
        }
        return found;
    }

    /** Makes the steps of a change that move takes, with what {@link #checkAgain} found. */
    public void move(List<TakeStep> steps, Map<String, List<Finding>> found) {
        for (TakeStep step : steps) {
            takes.move(step.takeId(), step.after());
            List<Finding> findings = found.get(step.takeId());
            if (findings != null) {
                replaceFindings(step.takeId(), findings);
            }
        }
    }

    /** What the teacher accepted stays accepted unless something new is found. */
    private void replaceFindings(String takeId, List<Finding> findings) {
        Set<Finding.Kind> known = takes.find(takeId).orElseThrow().findings().stream()
                .map(Finding::kind)
                .collect(Collectors.toSet());
        boolean nothingNew = findings.stream().allMatch(finding -> known.contains(finding.kind()));
        takes.replaceFindings(takeId, findings, nothingNew);
    }

    public StoredTake take(Teacher teacher, String takeId) {
        return take(teacher, takeId, Right.READ);
    }

    /** A take, if that may be done with its lesson. */
    public StoredTake take(Actor actor, String takeId, Right right) {
        return takes.find(takeId, access.may(actor, right)).orElseThrow(() -> new NotFoundException("take"));
    }

    /** Takes by their ids, whoever's they are. */
    public Map<String, StoredTake> takes(List<String> takeIds) {
        return takes.find(takeIds).stream().collect(Collectors.toMap(StoredTake::id, Function.identity()));
    }

    /** A take with its sound, which is made now if it isn't there as yet. */
    public StoredTake heard(Teacher teacher, String takeId) {
        return sounds.heard(take(teacher, takeId)).orElseThrow(() -> new NotFoundException("sound of a take"));
    }

    /** A line with the sound of its take, which is made now if it isn't there as yet. */
    public ScriptLine heardLine(Teacher teacher, String lineId) {
        ScriptLine line = lessons.line(teacher, lineId);
        if (line.soundHash() != null || line.line().kept().isEmpty()) {
            return line;
        }
        sounds.makeNow(List.of(line.line().kept().get().id()));
        return lessons.line(teacher, lineId);
    }

    /** A lesson with all that is heard in it; what isn't there as yet is made now. */
    public LessonView heard(LessonRef lesson) {
        LessonView view = lessons.view(lesson);
        List<String> missing = view.pages().stream()
                .flatMap(page -> page.lines().stream())
                .filter(line -> line.soundHash() == null)
                .flatMap(line -> line.line().kept().stream())
                .map(Take::id)
                .toList();
        if (missing.isEmpty()) {
            return view;
        }
        sounds.makeNow(missing);
        return lessons.view(lesson);
    }

    /** A take, whoever's it is: for work that no teacher waits for. */
    public StoredTake find(String takeId) {
        return takes.find(takeId).orElseThrow(() -> new NotFoundException("take"));
    }

    /**
     * A take sounds otherwise from now on.
     *
     * @param soundHash of its MP3
     */
    public void resound(StoredTake take, MadeTake made, String soundHash) {
        takes.resound(take.id(), made, soundHash);
        replaceFindings(take.id(), made.findings());
        events.publishEvent(new TakeHeard(take.id()));
    }

    /** A second take of the same original on another line, as yet sounding the same and not kept. */
    @Transactional
    public StoredTake copyTo(StoredTake take, ScriptLine to) {
        StoredRecording recording = recordings.find(take.recordingId()).orElseThrow();
        String words = to.line().words();
        String id = Ids.newId();
        Beginning beginning = new Beginning(
                new OfLine(to.line().id(), ((OfLine) recording.owner()).voice()), recording.speakerId(), words);
        recordings.open(id, beginning, recording.mediaType(), recording.fileName(), clock.millis());
        recordings.taken(id, recording.rawHash(), take.durationMs(), clock.millis());
        StoredTake copy = take.copy(Ids.newId(), to.line().id(), id, words, clock.millis());
        takes.add(copy);
        if (!copy.hasSound()) {
            sounds.soon(copy.id());
        }
        return copy;
    }

    /** Makes a take the one that students hear; answers its line as it is now. */
    @Transactional
    public ScriptLine keep(Actor actor, String takeId) {
        StoredTake take = take(actor, takeId, Right.RECORD);
        lines.keep(take.lineId(), takeId);
        ScriptLine line = lessons.line(actor, take.lineId());
        lessonStore.touch(lines.lessonOf(line.line().id()), clock.millis());
        events.publishEvent(new TakeHeard(takeId));
        return line;
    }

    /**
     * Keeps another take on a line in place of one.
     *
     * @param from what must be kept now, or nothing is changed; null: no take
     * @param to null: no take
     */
    @Transactional
    public void exchange(Teacher teacher, String lineId, String from, String to) {
        ScriptLine line = lessons.line(teacher, lineId, Right.EDIT);
        String kept = line.line().kept().map(Take::id).orElse(null);
        if (Objects.equals(kept, from)) {
            lines.keep(lineId, to);
            lessonStore.touch(lines.lessonOf(line.line().id()), clock.millis());
        }
    }

    /** Throws a take away: nothing is heard where it was kept. It can be put back for 30 days. */
    @Transactional
    public StoredTake remove(Teacher teacher, String takeId) {
        StoredTake take = take(teacher, takeId, Right.EDIT);
        lines.silence(takeId);
        takes.setRemoved(takeId, clock.millis());
        touch(take);
        return take;
    }

    /** Puts a take back that was thrown away; where nothing is heard meanwhile it is heard again. */
    @Transactional
    public StoredTake putBack(Teacher teacher, String takeId) {
        StoredTake take = take(teacher, takeId, Right.EDIT);
        takes.setRemoved(takeId, null);
        if (lines.isSilent(take.lineId(), take.voice())) {
            lines.keep(take.lineId(), takeId);
        }
        touch(take);
        return take;
    }

    private void touch(StoredTake take) {
        lessonStore.touch(lines.lessonOf(take.lineId()), clock.millis());
    }

    /**
     * The teacher says that all takes of a lesson are fine that the sound check found something in.
     *
     * @return when: by that it can be undone
     */
    @Transactional
    public long acceptAll(Teacher teacher, String lessonId) {
        long now = clock.millis();
        takes.acceptAll(access.require(teacher, lessonId, Right.EDIT), now);
        return now;
    }

    @Transactional
    public void unaccept(Teacher teacher, String lessonId, long at) {
        takes.unaccept(access.require(teacher, lessonId, Right.EDIT), at);
    }

    /** The teacher heard the take and says that it is fine; it is doubtful no more. */
    @Transactional
    public void accept(Teacher teacher, String takeId) {
        takes.accept(take(teacher, takeId, Right.EDIT).id(), clock.millis());
    }
}
