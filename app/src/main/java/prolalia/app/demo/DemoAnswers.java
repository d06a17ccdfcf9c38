package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.AssignedLesson;
import prolalia.app.assignment.ChildService;
import prolalia.app.response.HandInService;
import prolalia.app.response.ResponseService;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.ChunkedRecordings;
import prolalia.app.spoken.Ending;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Point;
import prolalia.core.answer.AnswerContent.Stroke;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.marking.QuestionWithLines.Choice;

/** What the Terns answered to the form, made up: some of it spoken, some drawn. The first of them is the visitor's. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoAnswers {
    private static final long LONGEST_MS = 60_000;
    private static final LocalTime BEGIN = LocalTime.of(9, 20);
    private static final List<String> TYPED = List.of("rain", "Rain", "rain drops", "snow", "rane", "rainfall");
    private static final List<String> NUMBERS = List.of("7", "7 cm", "7cm", "8", "7", "1");
    private static final List<String> LIKED = List.of(
            "Snow, it is quiet.",
            "Sun becose of the beach",
            "Wind. My kite goes up!",
            "I like rain on the roof.",
            "storms are loud and good");

    private final ResponseService responses;
    private final HandInService handing;
    private final ChunkedRecordings recordings;
    private final ChildService children;
    private final DemoClock clock;

    DemoAnswers(
            ResponseService responses,
            HandInService handing,
            ChunkedRecordings recordings,
            ChildService children,
            DemoClock clock) {
        this.clock = clock;
        this.responses = responses;
        this.handing = handing;
        this.recordings = recordings;
        this.children = children;
    }

    /** @param students of the class, in order @param schoolDays ago */
    void make(String assignmentId, String classId, List<String> students, int schoolDays) throws IOException {
        for (int i = 1; i < students.size(); i++) {
            clock.putBack(schoolDays, BEGIN.plusMinutes(3L * i));
            answer(new Student(students.get(i), classId), assignmentId, i);
        }
    }

    private void answer(Student student, String assignmentId, int which) throws IOException {
        Random chance = new Random(which);
        Random hearing = new Random(100 + which);
        AssignedLesson met = children.meet(student, assignmentId);
        children.opened(student, met);
        List<QuestionWithLines> asked = List.copyOf(met.asked().values());
        // Two are still at it.
        int until = which % 6 == 5 ? 4 : asked.size();
        for (QuestionWithLines question : asked.subList(0, until)) {
            boolean knows = chance.nextInt(10) < 7;
            hear(student, met, question, knows, hearing);
            AnswerContent given = given(question, student, assignmentId, which, knows, chance);
            if (!given.isNothing()) {
                responses.give(
                        student, assignmentId, question.id(), UUID.randomUUID().toString(), given);
            }
        }
        handing.handIn(student, assignmentId);
    }

    /** Who knows it has mostly heard it, who doesn't often hasn't; the last choices nobody waits for. */
    private void hear(Student student, AssignedLesson met, QuestionWithLines asked, boolean knows, Random chance) {
        int all = knows ? 90 : 35;
        if (chance.nextInt(100) >= all) {
            return;
        }
        children.heard(student, met, asked.id(), 100);
        for (int i = 0; i < asked.choices().size(); i++) {
            int percent = i < 2 || knows && chance.nextInt(4) > 0 ? 100 : 20 + chance.nextInt(50);
            boolean last = i == asked.choices().size() - 1 && i > 2;
            if (!last) {
                children.heard(student, met, asked.choices().get(i).id(), percent);
            }
        }
    }

    private AnswerContent given(
            QuestionWithLines asked, Student student, String assignmentId, int which, boolean knows, Random chance)
            throws IOException {
        List<Choice> choices = asked.choices();
        return switch (asked.question().kind()) {
            case ONE_CHOICE ->
                AnswerContent.chosen(choices.stream()
                        .filter(choice -> choice.isRight() == knows)
                        .findFirst()
                        .orElseThrow()
                        .id());
            case SEVERAL_CHOICES ->
                AnswerContent.chosen(choices.stream()
                        .filter(choice -> knows ? choice.isRight() : chance.nextBoolean())
                        .map(Choice::id)
                        .toArray(String[]::new));
            case SHORT_WORDS -> AnswerContent.typed(TYPED.get(which % TYPED.size()));
            case NUMBER -> AnswerContent.typed(NUMBERS.get(which % NUMBERS.size()));
            case ORDER -> order(choices, knows);
            case PAIRS -> pairs(choices, knows);
            case AREAS -> AnswerContent.pressed(knows ? new Point(0.74, 0.25) : new Point(0.19, 0.27));
            case LONG_TEXT -> AnswerContent.typed(LIKED.get(which % LIKED.size()));
            case SPOKEN -> spoken(student, assignmentId, asked.id(), which);
            case DRAWING -> asked.line().words().startsWith("Show how") ? coins(chance) : drawn(which, chance);
            case PICTURE -> AnswerContent.NOTHING;
        };
    }

    private static AnswerContent order(List<Choice> choices, boolean knows) {
        List<String> ids = new ArrayList<>(choices.stream().map(Choice::id).toList());
        if (!knows) {
            Collections.swap(ids, 1, 2);
        }
        return AnswerContent.chosen(ids.toArray(String[]::new));
    }

    private static AnswerContent pairs(List<Choice> choices, boolean knows) {
        int half = choices.size() / 2;
        Map<String, String> pairs = java.util.stream.IntStream.range(0, half)
                .boxed()
                .collect(Collectors.toMap(
                        i -> choices.get(i).id(),
                        i -> choices.get(half + (knows || i == 0 ? i : half - i))
                                .id()));
        return AnswerContent.paired(pairs);
    }

    private AnswerContent spoken(Student student, String assignmentId, String questionId, int which)
            throws IOException {
        String id = UUID.randomUUID().toString();
        AnswerPlace place = responses.place(student, assignmentId, questionId);
        try (InputStream voice =
                new ClassPathResource("demo/weather/child-" + (which % 3 + 1) + ".ogg").getInputStream()) {
            recordings.receive(place, id, "audio/ogg", 0, voice);
        }
        recordings.end(place, id, Ending.after(1).atMost(LONGEST_MS));
        return new AnswerContent(null, null, null, null, List.of(id), null, null);
    }

    /** Twelve coins, two and two. */
    private static AnswerContent coins(Random chance) {
        List<Stroke> strokes = new ArrayList<>();
        for (int coin = 0; coin < 12; coin++) {
            int x = 1_000 + coin / 2 * 1_500 + chance.nextInt(120);
            int y = 2_900 + coin % 2 * 3_600 + chance.nextInt(300);
            List<Integer> round = new ArrayList<>();
            for (int step = 0; step <= 16; step++) {
                round.add((int) (x + 330 * Math.cos(step * Math.PI / 8)));
                round.add((int) (y + 1_400 * Math.sin(step * Math.PI / 8)));
            }
            strokes.add(new Stroke(6, round));
        }
        return new AnswerContent(null, null, null, null, null, strokes, null);
    }

    /** A sun or a cloud, by a hand that isn't steady. */
    private static AnswerContent drawn(int which, Random chance) {
        List<Stroke> strokes = new ArrayList<>();
        int rays = which % 2 == 0 ? 9 : 0;
        List<Integer> round = new ArrayList<>();
        for (int step = 0; step <= 36; step++) {
            double angle = step * Math.PI / 18;
            double wobble = 1 + 0.08 * chance.nextGaussian() + (rays == 0 ? 0.25 * Math.abs(Math.sin(2 * angle)) : 0);
            round.add((int) (4_800 + 1_300 * wobble * (rays == 0 ? 1.7 : 1) * Math.cos(angle)));
            round.add((int) (4_600 + 1_900 * wobble * Math.sin(angle)));
        }
        strokes.add(new Stroke(6, round));
        for (int ray = 0; ray < rays; ray++) {
            double angle = ray * 2 * Math.PI / rays + 0.1 * chance.nextGaussian();
            strokes.add(new Stroke(
                    6,
                    List.of(
                            (int) (4_800 + 1_700 * Math.cos(angle)),
                            (int) (4_600 + 2_500 * Math.sin(angle)),
                            (int) (4_800 + 2_500 * Math.cos(angle)),
                            (int) (4_600 + 3_600 * Math.sin(angle)))));
        }
        for (int drop = 0; drop < (rays == 0 ? 7 : 0); drop++) {
            int x = 3_000 + drop * 550;
            strokes.add(new Stroke(6, List.of(x, 7_100, x - 120, 7_900 + chance.nextInt(500))));
        }
        return new AnswerContent(null, null, null, null, null, strokes, null);
    }
}
