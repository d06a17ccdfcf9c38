package prolalia.app.station;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.Group;
import prolalia.app.classroom.StudentService;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.NotFoundException;
import prolalia.core.station.Rotation;
import prolalia.core.station.RotationClock;
import prolalia.core.station.StationMark;

/** Who is at which station when, and the clock of it. */
@Service
class RotationService {
    private final RotationStore store;
    private final LessonAccess access;
    private final LessonService lessons;
    private final Lessons stored;
    private final ClassService classes;
    private final StudentService students;
    private final Clock clock;

    RotationService(
            RotationStore store,
            LessonAccess access,
            LessonService lessons,
            Lessons stored,
            ClassService classes,
            StudentService students,
            Clock clock) {
        this.store = store;
        this.access = access;
        this.lessons = lessons;
        this.stored = stored;
        this.classes = classes;
        this.students = students;
        this.clock = clock;
    }

    /** What is pressed on the board. */
    enum Press {
        START,
        HALT,
        GO_ON,
        MINUTE_MORE,
        NEXT,
        BACK,
        END
    }

    /** @param pictureHash null: it is drawn */
    record Station(int number, String name, String pictureHash, StationMark mark) {}

    /**
     * All of a rotation.
     *
     * @param rotation null: there are no groups, or no stations
     */
    record View(
            LessonView lesson, RotationPlan plan, List<Station> stations, Rotation rotation, List<ScriptLine> signals) {
        /** The take that is said at each change; null: the voice that ships. */
        public String signalTake() {
            return signals.stream()
                    .filter(line -> line.line().id().equals(plan.signalLineId()))
                    .map(line -> line.line().kept().orElseThrow().id())
                    .findFirst()
                    .orElse(null);
        }

        /** The station of a group in a round; null: it has a break. */
        public Station at(int group, int round) {
            int station = rotation.station(group, round);
            return station == Rotation.BREAK ? null : stations.get(station);
        }

        public List<Integer> leftOut(int group) {
            return rotation.leftOut(group).stream().map(each -> each + 1).toList();
        }
    }

    View view(Teacher teacher, String lessonId) {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        if (lesson.summary().shelf()) {
            throw new NotFoundException("lesson");
        }
        RotationPlan plan = store.of(lesson.ref()).orElse(RotationPlan.NEW);
        List<Station> stations = new ArrayList<>();
        for (PageView page : lesson.pages()) {
            String title = page.page().title();
            String first = page.lines().stream()
                    .map(line -> line.line().words())
                    .filter(words -> !words.isBlank())
                    .findFirst()
                    .orElse("");
            stations.add(new Station(
                    page.number(),
                    title == null || title.isBlank() ? first : title,
                    page.page().pictureHash(),
                    new StationMark(page.number())));
        }
        return new View(lesson, plan, stations, plan.rotation(stations.size()), signals(teacher));
    }

    /** Her standing lines that are voiced. */
    private List<ScriptLine> signals(Teacher teacher) {
        return stored.shelf(teacher.id())
                .map(shelf -> stored.script(shelf).stream()
                        .filter(line -> line.line().kept().isPresent() && line.soundHash() != null)
                        .toList())
                .orElse(List.of());
    }

    /** The groups of a class that has some, by their names. */
    record GroupsOfClass(String classId, String className, List<String> names) {}

    List<GroupsOfClass> groups(Teacher teacher) {
        return classes.of(teacher).stream()
                .map(each -> new GroupsOfClass(
                        each.id(),
                        each.name(),
                        students.groups(teacher, each.id()).stream()
                                .map(Group::name)
                                .toList()))
                .filter(each -> !each.names().isEmpty())
                .toList();
    }

    /** @param rounds 0: as many as there can be @throws IllegalArgumentException if there can be no such plan */
    @Transactional
    void plan(Teacher teacher, String lessonId, String names, int groups, int minutes, int rounds, String signal) {
        LessonRef lesson = access.require(teacher, lessonId, Right.GIVE);
        if (minutes < 1 || minutes > RotationClock.MOST_MINUTES || groups < 0 || groups > Rotation.MOST || rounds < 0) {
            throw new IllegalArgumentException("No rotation");
        }
        store.keep(
                lesson,
                new RotationPlan(
                        RotationPlan.named(names, groups),
                        minutes,
                        rounds,
                        signals(teacher).stream()
                                .map(line -> line.line().id())
                                .filter(id -> id.equals(signal))
                                .findFirst()
                                .orElse(null),
                        null));
        // What a station shows of the next one is another thing now.
        stored.touch(lesson, clock.millis());
    }

    @Transactional
    void press(Teacher teacher, String lessonId, Press press) {
        LessonRef lesson = access.require(teacher, lessonId, Right.GIVE);
        View view = view(teacher, lessonId);
        if (view.rotation() == null) {
            return;
        }
        long now = clock.millis();
        RotationClock running = view.plan().clock();
        if (press == Press.START || press == Press.END) {
            RotationClock started = press == Press.END
                    ? null
                    : RotationClock.started(
                            view.plan().minutes(), view.rotation().rounds(), now);
            RotationPlan plan = view.plan();
            store.keep(
                    lesson,
                    new RotationPlan(
                            plan.groups(), plan.minutes(), view.rotation().rounds(), plan.signalLineId(), started));
        } else if (running != null) {
            store.keep(lesson, view.plan().with(pressed(running, press, now)));
        }
    }

    private static RotationClock pressed(RotationClock running, Press press, long now) {
        int round = running.at(now).round();
        return switch (press) {
            case HALT -> running.halted(now);
            case GO_ON -> running.goneOn(now);
            case MINUTE_MORE -> running.withMinuteMore(now);
            case NEXT -> running.inRound(round + 1, now);
            case BACK -> running.inRound(round - 1, now);
            case START, END -> throw new IllegalArgumentException(press.name());
        };
    }

    /** What a board shows now. @param left of the round, in ms @param length of it @param nowMs by this clock */
    record Now(boolean started, boolean halted, int round, long left, long length, int rounds, long nowMs) {}

    Now now(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.READ);
        long now = clock.millis();
        RotationClock running = store.of(lesson).orElse(RotationPlan.NEW).clock();
        if (running == null) {
            return new Now(false, false, 0, 0, 0, 0, now);
        }
        RotationClock.At at = running.at(now);
        return new Now(
                true, running.haltedLeftMs() != null, at.round(), at.leftMs(), at.lengthMs(), running.rounds(), now);
    }
}
