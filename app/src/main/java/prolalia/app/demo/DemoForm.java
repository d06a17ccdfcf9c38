package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.link.LinkService;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.MediaStore;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.AnswerManner;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.NumberKey.DecimalSign;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.place.Area;
import prolalia.core.script.LessonChange.PageStep;
import prolalia.core.script.PageShape;
import prolalia.core.script.PageShape.Picture;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** The form "Weather tools": a question of every kind; its first ones are voiced. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoForm {
    static final String TITLE = "Weather tools";

    private static final int VOICES = 20;
    private static final int PICTURE_WIDTH = 1200;
    private static final int PICTURE_HEIGHT = 675;

    private final Lessons lessons;
    private final LessonPages pages;
    private final LessonLines lines;
    private final MediaStore media;
    private final DemoVoices voices;
    private final LinkService links;
    private final List<ReadLine> read = new ArrayList<>();

    DemoForm(
            Lessons lessons,
            LessonPages pages,
            LessonLines lines,
            MediaStore media,
            DemoVoices voices,
            LinkService links) {
        this.lessons = lessons;
        this.pages = pages;
        this.lines = lines;
        this.media = media;
        this.voices = voices;
        this.links = links;
    }

    /** Answers the lesson. */
    LessonRef make(Teacher teacher, long now) throws IOException {
        LessonRef lesson = lessons.make(teacher.id(), TITLE, 2, now);
        links.give(teacher, lesson.id());
        lessons.setSettings(
                lesson,
                LessonSettings.USUAL.withAnswering(new AnswerManner(
                        AnswerManner.Layout.ONE,
                        AnswerManner.Feedback.AT_END,
                        0,
                        AnswerManner.Points.STARS,
                        AnswerManner.USUAL_SECONDS,
                        false)));
        questions();
        List<PlacedLine> added = lines.addAll(pages.add(lesson, now), List.copyOf(read));
        for (int i = 0; i < VOICES; i++) {
            voices.keep(teacher, added.get(i).id(), "weather/voice-" + (i + 1));
        }
        onPicture(lesson, now);
        read.clear();
        asked(
                Question.of(AnswerKind.LONG_TEXT).withWays(Set.of(AnswerKind.SPOKEN, AnswerKind.DRAWING)),
                "Which weather do you like best, and why?");
        asked(Question.of(AnswerKind.SPOKEN).withPoints(2), "Say what you wear when it snows.");
        asked(Question.of(AnswerKind.DRAWING), "Draw the weather of today.");
        asked(Question.of(AnswerKind.PICTURE).withRequired(false), "Take a picture of the sky.");
        lines.addAll(pages.add(lesson, now), List.copyOf(read));
        read.clear();
        voices.finish();
        lessons.touch(lesson, now);
        return lesson;
    }

    private void questions() {
        said(LineKind.DIRECTION, "Listen to each question, then answer.");
        asked(Question.of(AnswerKind.ONE_CHOICE), "Which tool tells how warm it is?");
        choice("a)", "the thermometer", true);
        choice("b)", "the rain gauge", false);
        said(LineKind.CORRECTION, "The rain gauge holds rain.");
        choice("c)", "the wind sock", false);
        said(LineKind.HINT, "It has numbers and a red line.");
        said(LineKind.PRAISE, "Yes. The thermometer tells how warm it is.");
        said(LineKind.CORRECTION, "Think of warm and cold.");
        asked(Question.of(AnswerKind.SEVERAL_CHOICES).withPoints(2), "Which tools tell about the wind?");
        choice("a)", "the wind sock", true);
        choice("b)", "the weather vane", true);
        choice("c)", "the umbrella", false);
        choice("d)", "the thermometer", false);
        asked(
                Question.of(AnswerKind.SHORT_WORDS).withAccepted(List.of("rain", "rainfall", "rain drops")),
                "What do we call water that falls from the clouds?");
        asked(
                Question.of(AnswerKind.NUMBER)
                        .withNumber(
                                new NumberKey(BigDecimal.valueOf(7), BigDecimal.ZERO, "cm", false, DecimalSign.EITHER)),
                "There are 4 centimetres of rain in the gauge. 3 more come. How many are there now?");
        said(LineKind.HINT, "Count on from four.");
        asked(Question.of(AnswerKind.ORDER).withPoints(2), "Begin with the coldest.");
        choice("", "freezing", false);
        choice("", "cool", false);
        choice("", "warm", false);
        choice("", "hot", false);
        asked(Question.of(AnswerKind.PAIRS).withPoints(3), "What belongs together?");
        pair("thermometer", 1);
        pair("rain gauge", 2);
        pair("wind sock", 3);
        pair("how warm", 1);
        pair("how much rain", 2);
        pair("where the wind blows", 3);
    }

    /** A page with a picture, on which something is pressed. */
    private void onPicture(LessonRef lesson, long now) throws IOException {
        String page = pages.add(lesson, now);
        String hash;
        try (InputStream content = new ClassPathResource("demo/weather/sky.png").getInputStream()) {
            hash = media.keep(content);
        }
        PageShape shape = pages.shapes(lesson).get(page);
        PageShape shown = shape.withPicture(new Picture(
                hash,
                "image/png",
                "A sky with the sun on the left, a grey cloud on the right, and a wind sock on a pole",
                PICTURE_WIDTH,
                PICTURE_HEIGHT,
                null));
        pages.make(new PageStep(page, shape, shown), now);
        lines.addAll(
                page,
                List.of(new ReadLine(
                        LineTraits.of(LineKind.QUESTION)
                                .withQuestion(Question.of(AnswerKind.AREAS)
                                        .withAreas(List.of(new Area(0.575, 0.1, 0.33, 0.32)))),
                        "Press where the rain will come from.")));
    }

    private void said(LineKind kind, String words) {
        read.add(new ReadLine(kind, words));
    }

    private void asked(Question question, String words) {
        read.add(new ReadLine(LineTraits.of(LineKind.QUESTION).withQuestion(question), words));
    }

    private void choice(String label, String words, boolean right) {
        read.add(new ReadLine(
                LineTraits.of(LineKind.CHOICE).withLabel(label).withMark(new ChoiceMark(right, 0)), words));
    }

    private void pair(String words, int number) {
        read.add(new ReadLine(LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(false, number)), words));
    }
}
