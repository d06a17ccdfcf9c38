package prolalia.formats.web;

import java.text.MessageFormat;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.context.ITemplateContext;
import org.thymeleaf.messageresolver.AbstractMessageResolver;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.StepIcon;
import prolalia.core.published.StudentPage;

/** Writes a student's page as HTML. Thread-safe. */
public final class StudentPageWriter {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("student", Locale.ENGLISH);
    private static final String FOR_BROWSER = "browser.player.";

    private final TemplateEngine engine = new TemplateEngine();

    public StudentPageWriter() {
        ClassLoaderTemplateResolver templates =
                new ClassLoaderTemplateResolver(StudentPageWriter.class.getClassLoader());
        templates.setPrefix("templates/");
        templates.setSuffix(".html");
        templates.setTemplateMode(TemplateMode.HTML);
        templates.setCharacterEncoding("UTF-8");
        engine.setTemplateResolver(templates);
        engine.setMessageResolver(new FromBundle());
    }

    /** What a student's page says, by its key. */
    public static String say(String key, Object... arguments) {
        return new MessageFormat(WORDS.getString(key), Locale.ENGLISH).format(arguments);
    }

    /**
     * @param prompts the sounds that take the place of those that ship
     * @param sharing null: pages elsewhere aren't told of it
     */
    public String write(StudentPage page, Map<Prompt, String> prompts, LessonUrls places, Sharing sharing) {
        return write(page, prompts, places, sharing, (Station) null);
    }

    /** @param station null: it is none */
    public String write(
            StudentPage page, Map<Prompt, String> prompts, LessonUrls places, Sharing sharing, Station station) {
        return write(page, prompts, places, sharing, null, null, null, station);
    }

    /** A page whose questions can be tried; nothing is kept. */
    public String writeToTry(StudentPage page, Map<Prompt, String> prompts, LessonUrls places) {
        return write(page, prompts, places, null, null, null, Answering.TRIED, null);
    }

    /** The page of a child who came in through a door. */
    public String writeBehindDoor(
            StudentPage page, Map<Prompt, String> prompts, LessonUrls places, BehindDoor door, Answering answering) {
        return write(page, prompts, places, null, null, door, answering, null);
    }

    /** @param otherPages of a lesson in one file: its pages by their addresses, as JSON; otherwise null */
    String write(StudentPage page, Map<Prompt, String> prompts, LessonUrls places, Sharing sharing, String otherPages) {
        return write(page, prompts, places, sharing, otherPages, null, null, null);
    }

    private String write(
            StudentPage page,
            Map<Prompt, String> prompts,
            LessonUrls places,
            Sharing sharing,
            String otherPages,
            BehindDoor door,
            Answering answering,
            Station station) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("student", page);
        context.setVariable("places", places);
        context.setVariable("icons", StepIcon.values());
        context.setVariable("words", forBrowser());
        context.setVariable("prompts", heard(prompts, places));
        context.setVariable("sharing", sharing);
        context.setVariable("otherPages", otherPages);
        context.setVariable("door", door);
        context.setVariable("answering", answering);
        context.setVariable("station", station);
        return engine.process("player/page", context);
    }

    private static Map<Prompt, String> heard(Map<Prompt, String> own, LessonUrls places) {
        Map<Prompt, String> heard = new EnumMap<>(Prompt.class);
        for (Prompt prompt : Prompt.values()) {
            heard.put(prompt, own.containsKey(prompt) ? places.sound(own.get(prompt)) : places.prompt(prompt));
        }
        return heard;
    }

    /** What the scripts say; they fill in their values themselves. */
    private static Map<String, String> forBrowser() {
        Map<String, String> words = new TreeMap<>();
        for (String key : WORDS.keySet()) {
            if (key.startsWith(FOR_BROWSER)) {
                words.put(
                        key.substring(FOR_BROWSER.length()),
                        WORDS.getString(key).replace("''", "'"));
            }
        }
        return words;
    }

    private static final class FromBundle extends AbstractMessageResolver {
        @Override
        public String resolveMessage(ITemplateContext context, Class<?> origin, String key, Object[] parameters) {
            return say(key, parameters);
        }

        @Override
        public String createAbsentMessageRepresentation(
                ITemplateContext context, Class<?> origin, String key, Object[] parameters) {
            return key;
        }
    }
}
