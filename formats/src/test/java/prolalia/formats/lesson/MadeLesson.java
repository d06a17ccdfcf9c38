package prolalia.formats.lesson;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.lesson.Take;
import prolalia.core.page.Jump;
import prolalia.core.page.Look;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Paths;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.PublishedLesson.PublishedPicture;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/**
 * A lesson with everything in it that can go wrong on the way out: a picture with spots, a right and a wrong way with praise, a
 * hint, a link, a silent line, a page without a picture, an empty page, and words that are markup, or no words at all.
 */
public final class MadeLesson implements LessonFiles {
    public static final String NASTY = "Say </script> & <b>\"yes\"</b> \u0007 \uD83C\uDF31 \u05D0\u05D1!";
    /** Its last word goes on in the next row. */
    private static final String ICON_LINE =
            "10000,20000,6000,4000=Look 17000,20000,3000,4000=at 21000,20000,5000,4000=the 27000,20000,4000,4000=be- 10000,25000,5000,4000=an.";

    private static final String PICTURE = "aa".repeat(32);

    private final Map<String, Path> files = new HashMap<>();
    private final Map<String, Slide> slides = new HashMap<>();
    public final PublishedLesson lesson;

    public MadeLesson(Path folder) throws IOException {
        BufferedImage picture = new BufferedImage(320, 180, BufferedImage.TYPE_INT_RGB);
        Path png = folder.resolve("picture.png");
        ImageIO.write(picture, "png", png.toFile());
        files.put(PICTURE, png);
        List<PublishedPage> pages = new ArrayList<>();
        PublishedPicture shown = new PublishedPicture(PICTURE, "image/png", "A <bean> & soil", 320, 180);
        pages.add(new PublishedPage(
                "one",
                shown,
                List.of(
                        heard("l1", LineKind.DIRECTION, "Look at the bean.", StepIcon.LOOK, folder),
                        heard("l2", LineKind.QUESTION, NASTY, null, folder),
                        new PublishedLine(new Line("l3", LineKind.CHOICE, "silent", Optional.empty()), null, null),
                        heard("l4", LineKind.HINT, "Count the leaves.", null, folder),
                        heard("l5", LineKind.PRAISE, "Yes, it is awake!", null, folder),
                        heard("l6", LineKind.NOTE, "For the teacher alone.", null, folder)),
                new Placed(
                        List.of(
                                new PageElement.Spot(
                                        "s1",
                                        new Area(0.1, 0.1, 0.1, 0.1),
                                        "l1",
                                        true,
                                        Look.USUAL,
                                        new PlayRule(PlayRule.Start.ARRIVAL, 50, 2, false, null, null),
                                        null),
                                new PageElement.Spot("s2", new Area(0.1, 0.4, 0.3, 0.2), "l2", false),
                                new Jump("j1", new Area(0.5, 0.5, 0.1, 0.1), "two", Paths.Kind.RIGHT, "bean"),
                                new Jump("j2", new Area(0.7, 0.5, 0.1, 0.1), "three", Paths.Kind.WRONG, ""),
                                new PageElement.Link(
                                        "k1", new Area(0.8, 0.8, 0.1, 0.1), "More", "https://a.example/?a=1&b=2", true),
                                new PageElement.Text(
                                        "t1", new Area(0, 0.9, 1, 0.1), NASTY, PageElement.Text.Size.SMALL, null)),
                        PageSettings.USUAL)));
        pages.add(new PublishedPage(
                "two",
                null,
                List.of(heard("l7", LineKind.PASSAGE, "The bean — drinks.", null, folder)),
                Placed.NOTHING));
        pages.add(new PublishedPage("three", shown, List.of(), Placed.NOTHING));
        pages.add(new PublishedPage("four", null, List.of(), Placed.NOTHING));
        lesson = new PublishedLesson(
                "Beans & <peas>", new LessonSettings(false, "de", null), pages, Placed.NOTHING, Map.of());
    }

    private PublishedLine heard(String id, LineKind kind, String words, StepIcon icon, Path folder) throws IOException {
        Path sound = folder.resolve(id + ".mp3");
        try (InputStream in = MadeLesson.class.getResourceAsStream("/static/assets/player/prompts/well_done.mp3")) {
            Files.write(sound, in.readAllBytes());
        }
        files.put("sound-" + id, sound);
        Line line = new Line(
                id,
                LineTraits.of(kind)
                        .withIcon(icon)
                        .withLang(kind == LineKind.HINT ? "fr" : null)
                        .withPlaces(icon == null ? WordPlaces.NONE : new WordPlaces(ICON_LINE)),
                words,
                Optional.of(new Take("t" + id, words, 900, false)));
        return new PublishedLine(line, "sound-" + id, new Peaks(new byte[45]));
    }

    /** From now on a page is one of these slides. */
    public void madeOf(String pageId, Path deck, int number) {
        slides.put(pageId, new Slide(deck, number));
    }

    @Override
    public Path file(String hash) {
        return files.get(hash);
    }

    @Override
    public String pictureType(String hash) {
        return "image/png";
    }

    /** Evenly over the take; what is no word takes no time. */
    @Override
    public List<Word> times(PublishedLine line) {
        List<Word> words = new ArrayList<>();
        int from = 0;
        for (String text : line.words().split(" ")) {
            boolean said = text.matches(".*[\\p{L}].*");
            long start = 900L * from / line.words().length();
            words.add(new Word(text, from, new Span(start, said ? start + 50 : start)));
            from += text.length() + 1;
        }
        return words;
    }

    @Override
    public Optional<Slide> slide(String pageId) {
        return Optional.ofNullable(slides.get(pageId));
    }
}
