package prolalia.formats.web;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.SpeakingName;
import prolalia.core.lesson.StepIcon;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPages;
import prolalia.formats.caption.WebVtt;
import prolalia.formats.lesson.LessonFiles;
import prolalia.formats.lesson.PictureEnding;
import prolalia.formats.lesson.Shipped;
import prolalia.formats.lesson.ZipOut;
import tools.jackson.databind.json.JsonMapper;

/**
 * A lesson as a ZIP with one folder that plays from a disk, from a USB stick or from any web server: one page of HTML with all
 * pages of the lesson, MP3, WebVTT, pictures, and the player's own scripts and styles. Nothing in it asks a server for
 * anything.
 */
public final class LessonFolder {
    private static final List<String> SHIPPED = List.of(
            "platform/look.css",
            "platform/mark.svg",
            "player/player.js",
            "player/player.css",
            "player/board.css",
            "fonts/primer-reader-latin-400.woff2",
            "fonts/primer-reader-latin-700.woff2",
            "fonts/LICENSE-primer-reader.txt");
    private static final String ASSETS = "files/";

    private final PublishedLesson lesson;
    private final LessonFiles files;
    private final List<StudentPage> pages;
    private final Map<String, String> soundNames = new LinkedHashMap<>();
    private final Map<String, List<Word>> times = new LinkedHashMap<>();

    private LessonFolder(PublishedLesson lesson, LessonFiles files) {
        this.lesson = lesson;
        this.files = files;
        pages = StudentPages.of(lesson);
        for (StudentPage page : pages) {
            int number = 0;
            for (PublishedLine line : page.heard()) {
                String name = String.format(Locale.ROOT, "sound/p%d-%02d", page.number(), ++number);
                soundNames.putIfAbsent(line.soundHash(), name);
                times.put(line.line().id(), files.times(line));
            }
        }
        lesson.prompts().forEach((prompt, hash) -> soundNames.putIfAbsent(hash, "sound/" + lowerCase(prompt)));
    }

    /** @param out not closed */
    public static void write(PublishedLesson lesson, LessonFiles files, OutputStream out) throws IOException {
        new LessonFolder(lesson, files).write(out);
    }

    private void write(OutputStream out) throws IOException {
        ZipOut zip = new ZipOut(out);
        String folder = SpeakingName.of(lesson.title()) + "/";
        zip.put(folder + "index.html", page().getBytes(StandardCharsets.UTF_8));
        for (String path : SHIPPED) {
            zip.put(folder + ASSETS + path, Shipped.asset(path));
        }
        for (StepIcon icon : StepIcon.values()) {
            String path = "platform/steps/" + lowerCase(icon) + ".svg";
            zip.put(folder + ASSETS + path, Shipped.asset(path));
        }
        zip.compressNoMore();
        for (Prompt prompt : Prompt.values()) {
            if (!lesson.prompts().containsKey(prompt)) {
                String path = "player/prompts/" + lowerCase(prompt) + ".mp3";
                zip.put(folder + ASSETS + path, Shipped.asset(path));
            }
        }
        for (Map.Entry<String, String> sound : soundNames.entrySet()) {
            zip.put(folder + sound.getValue() + ".mp3", files.file(sound.getKey()));
        }
        for (Map.Entry<String, Path> picture : pictures().entrySet()) {
            zip.put(folder + picture.getKey(), picture.getValue());
        }
        writeCaptions(zip, folder);
        zip.finish();
    }

    /** Beside each sound, under the same name: players of any make find them. */
    private void writeCaptions(ZipOut zip, String folder) throws IOException {
        Map<String, List<Word>> captions = new LinkedHashMap<>();
        for (StudentPage page : pages) {
            for (PublishedLine line : page.heard()) {
                List<Word> words = times.get(line.line().id());
                if (!words.isEmpty()) {
                    captions.putIfAbsent(soundNames.get(line.soundHash()), words);
                }
            }
        }
        for (Map.Entry<String, List<Word>> caption : captions.entrySet()) {
            zip.put(
                    folder + caption.getKey() + ".vtt",
                    WebVtt.ofLine(caption.getValue()).getBytes(StandardCharsets.UTF_8));
        }
    }

    private Map<String, Path> pictures() {
        Map<String, Path> pictures = new TreeMap<>();
        for (StudentPage page : pages) {
            if (page.page() != null && page.page().picture() != null) {
                pictures.put(
                        pictureName(page.page().picture().hash()),
                        files.file(page.page().picture().hash()));
            }
            page.onPage().stream()
                    .filter(each -> each.picture() != null)
                    .map(each -> each.picture().hash())
                    .forEach(hash -> pictures.put(pictureName(hash), files.file(hash)));
        }
        return pictures;
    }

    private String pictureName(String hash) {
        return "pictures/" + hash.substring(0, 16) + PictureEnding.of(files.pictureType(hash));
    }

    /** The first page, with all pages in its head. */
    private String page() {
        StudentPageWriter writer = new StudentPageWriter();
        LessonUrls places = new InFolder(this);
        Map<String, String> written = new LinkedHashMap<>();
        for (StudentPage page : pages) {
            written.put(places.page(page.number()), writer.write(page, lesson.prompts(), places, null));
        }
        // Nothing in it may end the element that it stands in.
        String others = json(written).replace("<", "\\u003c");
        return writer.write(pages.get(0), lesson.prompts(), places, null, others);
    }

    private static String json(Object value) {
        return new JsonMapper().writeValueAsString(value);
    }

    private static String lowerCase(Enum<?> name) {
        return name.name().toLowerCase(Locale.ROOT);
    }

    /** Addresses from the page of the folder. */
    public static final class InFolder implements LessonUrls {
        private final LessonFolder folder;

        private InFolder(LessonFolder folder) {
            this.folder = folder;
        }

        @Override
        public String page(int number) {
            return "#" + number;
        }

        @Override
        public String sound(String hash) {
            return folder.soundNames.get(hash) + ".mp3";
        }

        @Override
        public String picture(String hash) {
            return folder.pictureName(hash);
        }

        @Override
        public String thing(String hash) {
            return folder.pictureName(hash);
        }

        @Override
        public String asset(String path) {
            return ASSETS + path;
        }

        @Override
        public String words(String lineId) {
            return null;
        }

        @Override
        public String times(String lineId) {
            return json(folder.times.getOrDefault(lineId, List.of()));
        }

        @Override
        public String hintsAsked() {
            return null;
        }
    }
}
