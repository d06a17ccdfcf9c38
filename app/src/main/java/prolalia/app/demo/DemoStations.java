package prolalia.app.demo;

import java.io.IOException;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.station.RoomPlans;
import prolalia.core.lesson.LineKind;

/** The demo's stations, with a rotation of four groups. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoStations {
    private static final String[][] STATIONS = {
        {"The bird bath", "Close your eyes and listen to the water.", "What do you hear when a bird lands?"},
        {"Under the old oak", "Stand very still under the oak.", "Do the leaves whisper, or do they rattle?"},
        {"The gravel path", "Walk ten steps on the path.", "Which shoes make the loudest sound?"},
        {"The bee hotel", "Put your ear near the bee hotel, but do not touch it.", "Is the hum high or low?"},
        {"The garden gate", "Open the gate slowly, then quickly.", "When does it squeak?"}
    };

    private static final String HELP = "If you need help, ask somebody of your group.";

    private final Lessons lessons;
    private final LessonPages pages;
    private final LessonLines lines;
    private final DemoVoices voices;
    private final RoomPlans plans;

    DemoStations(Lessons lessons, LessonPages pages, LessonLines lines, DemoVoices voices, RoomPlans plans) {
        this.lessons = lessons;
        this.pages = pages;
        this.lines = lines;
        this.voices = voices;
        this.plans = plans;
    }

    void make(Teacher teacher, long made) throws IOException {
        LessonRef lesson = lessons.make(teacher.id(), "Five sounds of the school garden", 2, made);
        for (int station = 0; station < STATIONS.length; station++) {
            String page = pages.add(lesson, made);
            pages.setTitle(page, STATIONS[station][0]);
            String voice = "garden/voice-" + (station + 1);
            voices.keep(teacher, lines.add(page, LineKind.DIRECTION, STATIONS[station][1]), voice + "a");
            voices.keep(teacher, lines.add(page, LineKind.QUESTION, STATIONS[station][2]), voice + "b");
            voices.keep(teacher, lines.add(page, LineKind.HINT, HELP), "garden/help");
        }
        plans.plan(lesson, "Herons\nGulls\nPuffins\nSandpipers", 8);
        voices.finish();
        lessons.touch(lesson, made);
    }
}
