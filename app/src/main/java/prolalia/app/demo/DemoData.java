package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import prolalia.app.access.LessonRef;
import prolalia.app.account.AccountService;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.Role;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.intake.ReadPapers;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.link.LinkService;
import prolalia.app.pages.LessonPage;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.school.SchoolService;
import prolalia.app.school.SchoolSettings;
import prolalia.app.stage.StageService;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.page.Jump;
import prolalia.core.page.Look;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Paths;
import prolalia.core.page.PlayRule;
import prolalia.core.place.Area;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape;

/** Makes Tern Lane School in an empty data folder: its teachers, and a lesson whose voices ship as small files. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoData implements SmartInitializingSingleton {
    private static final int MINUTES = 10;
    private static final int MONTHS = 12;

    private static final long DAY_MS = 86_400_000L;
    private static final int BEAN_PAGES = 3;
    private static final String[] BEAN_VOICES = {"bean-1a", "bean-1b", "bean-2a", "bean-2b", "bean-2c", "bean-2d"};
    private static final int RULER_PAGES = 2;
    private static final int BAKERY_PAGES = 3;
    private static final int BAKERY_VOICES = 6;
    private static final List<String> BAKERY_RIGHT = List.of("three", "one loaf", "35");

    private final AccountService accounts;
    private final SchoolService school;
    private final Lessons lessons;
    private final LessonPages pageStore;
    private final LessonLines lines;
    private final MediaStore media;
    private final DemoVoices voices;
    private final ReadPapers papers;
    private final StageService stages;
    private final LinkService links;
    private final DemoClasses classes;
    private final DemoForm form;
    private final DemoStations stations;
    private final DataFolder folder;

    DemoData(
            AccountService accounts,
            SchoolService school,
            Lessons lessons,
            LessonPages pageStore,
            LessonLines lines,
            MediaStore media,
            DemoVoices voices,
            ReadPapers papers,
            StageService stages,
            LinkService links,
            DemoClasses classes,
            DemoForm form,
            DemoStations stations,
            DataFolder folder) {
        this.form = form;
        this.stations = stations;
        this.classes = classes;
        this.accounts = accounts;
        this.school = school;
        this.lessons = lessons;
        this.pageStore = pageStore;
        this.lines = lines;
        this.media = media;
        this.voices = voices;
        this.papers = papers;
        this.stages = stages;
        this.links = links;
        this.folder = folder;
    }

    /** Before the first request can come in. */
    @Override
    public void afterSingletonsInstantiated() {
        try {
            makeUnlessMade();
        } catch (IOException failure) {
            throw new UncheckedIOException("The demo data could not be written", failure);
        }
    }

    private void makeUnlessMade() throws IOException {
        if (!accounts.needsFirstAccount()) {
            return;
        }
        school.save(new SchoolSettings("Tern Lane School", MINUTES * 60_000L, MONTHS, null, null));
        // Nobody knows these passwords: the demo is entered by its button alone.
        accounts.add(DemoTeacher.FULL_NAME, DemoTeacher.SIGN_IN_NAME, Ids.newToken(), Role.ADMIN);
        accounts.add(DemoTeacher.SECOND_FULL_NAME, DemoTeacher.SECOND_SIGN_IN_NAME, Ids.newToken());
        accounts.add("Ari Lund", "ari", Ids.newToken(), Role.AIDE);
        accounts.leadNobody();
        SignedInTeacher ines = accounts.teacher(DemoTeacher.SIGN_IN_NAME).orElseThrow();
        SignedInTeacher tobi = accounts.teacher(DemoTeacher.SECOND_SIGN_IN_NAME).orElseThrow();
        LessonRef bakery = bakery(ines.actor());
        LessonRef weather = form.make(ines.actor(), System.currentTimeMillis() - 16 * DAY_MS);
        stations.make(ines.actor(), System.currentTimeMillis() - 3 * DAY_MS);
        ruler(ines.actor());
        LessonRef bean = bean(ines.actor());
        classes.terns(
                ines.actor(),
                accounts.teacher("ari").orElseThrow().id(),
                bean.summary(),
                bakery.summary(),
                weather.summary());
        classes.plovers(ines.actor(), tobi.actor(), bean.summary());
        voices.finish();
    }

    /** A worksheet as it comes in from a PDF; the first lines of its first page are voiced. */
    private LessonRef bakery(Teacher teacher) throws IOException {
        LessonRef lesson = lessons.make(teacher.id(), "At the bakery counter", 1, System.currentTimeMillis() - DAY_MS);
        links.give(teacher, lesson.id());
        bringIn(lesson, "bakery", "At the bakery counter.pdf", "bakery.pdf", BAKERY_PAGES);
        List<ScriptLine> script = lessons.script(lesson);
        for (int line = 0; line < BAKERY_VOICES; line++) {
            voices.keep(teacher, script.get(line).line().id(), "bakery/voice-" + (line + 1));
        }
        List<LessonPage> pages = pageStore.of(lesson);
        voices.keep(
                teacher,
                lines.add(pages.get(0).id(), LineKind.HINT, "Two coins make one roll. Count in twos."),
                "bakery/voice-hint");
        // Six rolls for twelve coins is right and leads on; the other two lead to counting again, and from there back.
        String again = pages.get(1).id();
        stages.add(
                pages.get(0).id(),
                List.of(
                        leading(script, pages.get(0).id(), "four", again, Paths.Kind.WRONG),
                        leading(script, pages.get(0).id(), "six", pages.get(2).id(), Paths.Kind.RIGHT),
                        leading(script, pages.get(0).id(), "ten", again, Paths.Kind.WRONG)));
        stages.add(
                again,
                List.of(new Jump(
                                "back",
                                new Area(0.07, 0.62, 0.3, 0.1),
                                pages.get(0).id(),
                                Paths.Kind.PLAIN)
                        .insteadOfArrow()));
        stages.say(again, new PageSettings(PlayRule.SILENT, true, Map.of()));
        stages.add(
                lesson.id(),
                List.of(new PageElement.Text(
                        "school",
                        new Area(0.62, 0.955, 0.34, 0.03),
                        "Tern Lane School",
                        PageElement.Text.Size.TINY,
                        Look.Tint.SLATE)));
        answered(lesson, pages);
        voices.finish();
        lessons.touch(lesson, System.currentTimeMillis() - DAY_MS);
        return lesson;
    }

    /** A choice that leads on itself: the first with these words. */
    private PageElement leading(List<ScriptLine> script, String pageId, String words, String toPage, Paths.Kind way) {
        Line choice = script.stream()
                .map(ScriptLine::line)
                .filter(line -> line.words().equals(words))
                .findFirst()
                .orElseThrow();
        return stages.things(pageId).stream()
                .filter(thing ->
                        thing instanceof PageElement.Spot spot && spot.lineId().equals(choice.id()))
                .map(thing -> Jump.of(choice, (PageElement.Spot) thing, words, toPage, way))
                .findFirst()
                .orElseThrow();
    }

    /** A paper test as it comes in from a PDF, to be stamped with codes. */
    private void ruler(Teacher teacher) throws IOException {
        long made = System.currentTimeMillis() - 4 * DAY_MS;
        LessonRef lesson = lessons.make(teacher.id(), "Measuring with a ruler", 3, made);
        bringIn(lesson, "ruler", "Measuring with a ruler.pdf", "ruler.pdf", RULER_PAGES);
        int voice = 1;
        for (ScriptLine line : lessons.script(lesson)) {
            if (line.line().kind() == LineKind.QUESTION) {
                voices.keep(teacher, line.line().id(), "ruler/voice-" + voice++);
            }
        }
        voices.finish();
        lessons.touch(lesson, made);
    }

    /** The first question leads on by its choices; the others are answered on the paper itself, and in its box. */
    private void answered(LessonRef lesson, List<LessonPage> pages) {
        boolean first = true;
        for (ScriptLine line : lessons.script(lesson)) {
            LineTraits traits = line.line().traits();
            String words = line.line().words();
            LineTraits changed = traits;
            if (traits.question() != null && first) {
                changed = traits.withQuestion(null);
                first = false;
            } else if (BAKERY_RIGHT.contains(words) && traits.kind() == LineKind.CHOICE) {
                changed = traits.withMark(new ChoiceMark(true, 0));
            } else if (words.startsWith("Show how")
                    && line.pageId().equals(pages.get(0).id())) {
                changed = traits.withKind(LineKind.QUESTION)
                        .withQuestion(Question.of(AnswerKind.DRAWING).withRequired(false));
                stages.add(
                        line.pageId(),
                        List.of(new PageElement.AnswerArea(
                                "box",
                                new Area(0.114, 0.704, 0.744, 0.13),
                                line.line().id())));
            }
            if (!changed.equals(traits)) {
                LineShape shape = lines.shape(line.line().id());
                lines.make(
                        new LineStep(line.line().id(), shape, shape.withTraits(changed)), System.currentTimeMillis());
            }
        }
    }

    private static Path copied(String name, Path to) throws IOException {
        try (InputStream content = new ClassPathResource("demo/" + name).getInputStream()) {
            Files.copy(content, to, StandardCopyOption.REPLACE_EXISTING);
        }
        return to;
    }

    /** Slides as they come in from a PPTX; all but the last page is voiced. */
    private LessonRef bean(Teacher teacher) throws IOException {
        LessonRef lesson = lessons.make(teacher.id(), "How a bean wakes up", 0, System.currentTimeMillis());
        links.give(teacher, lesson.id());
        bringIn(lesson, "bean", "How a bean wakes up.pptx", "bean.pptx", BEAN_PAGES);
        List<ScriptLine> script = lessons.script(lesson);
        for (int line = 0; line < BEAN_VOICES.length; line++) {
            voices.keep(teacher, script.get(line).line().id(), BEAN_VOICES[line]);
        }
        lines.setIcon(script.get(0).line().id(), StepIcon.LOOK);
        lines.setIcon(script.get(script.size() - 1).line().id(), StepIcon.DRAW);
        voices.finish();
        lessons.touch(lesson, System.currentTimeMillis());
        return lesson;
    }

    /** A file that was read before, and comes in as it was found. */
    private void bringIn(LessonRef lesson, String read, String fileName, String resource, int pages)
            throws IOException {
        Path file = copied(resource, folder.newTemporaryFile());
        Path place = folder.newTemporaryFolder();
        for (int page = 1; page <= pages; page++) {
            copied(read + "/page-" + page + ".json", place.resolve("page-" + page + ".json"));
            copied(read + "/page-" + page + ".png", place.resolve("page-" + page + ".png"));
        }
        papers.take(lesson, fileName, file, place);
        FileSystemUtils.deleteRecursively(place);
    }
}
