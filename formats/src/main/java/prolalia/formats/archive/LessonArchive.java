package prolalia.formats.archive;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageElement.Surroundings;
import prolalia.core.sound.edit.Edit;
import prolalia.formats.archive.ArchiveRefusedException.Reason;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.lesson.ZipNames;
import prolalia.formats.lesson.ZipOut;
import tools.jackson.core.JacksonException;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The archive of a lesson: a ZIP (PKWARE APPNOTE 6.3, names in UTF-8) with lesson.json, originals as FLAC, takes as they are
 * heard as MP3, and pictures. What it says is in docs/archive.md.
 *
 * <pre>{@code
 * try (LessonArchive archive = LessonArchive.open(zip)) {
 *     ArchivedLesson lesson = archive.lesson();
 * }
 * }</pre>
 */
public final class LessonArchive implements AutoCloseable {
    private static final String LESSON = "lesson.json";
    private static final int MOST_FILES = 40_000;
    private static final long LARGEST_LESSON = 32L << 20;
    private static final long LARGEST_FILE = 1L << 30;
    private static final long LARGEST_TOTAL = 8L << 30;

    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(PageElement.class, PageElementForms.class)
            .changeDefaultPropertyInclusion(inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_NULL))
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private final ZipFile zip;
    private final ArchivedLesson lesson;
    private long extracted;

    private LessonArchive(ZipFile zip) throws IOException, ArchiveRefusedException {
        this.zip = zip;
        checkNames();
        lesson = read();
        check();
    }

    /** Where the picture of this SHA-256 is in an archive. */
    public static String pictureName(String sha256) {
        return "pictures/" + sha256;
    }

    /** @param files the files that the lesson names, by their paths in the archive @param out not closed */
    public static void write(ArchivedLesson lesson, Map<String, Path> files, OutputStream out) throws IOException {
        ZipOut zip = new ZipOut(out);
        zip.put(LESSON, JSON.writeValueAsBytes(lesson));
        zip.compressNoMore();
        for (Map.Entry<String, Path> file : files.entrySet()) {
            zip.put(file.getKey(), file.getValue());
        }
        zip.finish();
    }

    /** Opens an archive and looks through all that it says, before anything is taken. */
    public static LessonArchive open(Path file) throws IOException, ArchiveRefusedException {
        ZipFile zip;
        try {
            zip = ZipNames.open(file);
        } catch (ZipException | IllegalArgumentException notOne) {
            throw new ArchiveRefusedException(Reason.NO_ARCHIVE, "");
        }
        try {
            return new LessonArchive(zip);
        } catch (IOException | ArchiveRefusedException | RuntimeException failure) {
            zip.close();
            throw failure;
        }
    }

    public ArchivedLesson lesson() {
        return lesson;
    }

    static void writeLesson(ArchivedLesson lesson, Path to) throws IOException {
        Files.write(to, json(lesson));
    }

    static byte[] json(Object value) {
        return JSON.writeValueAsBytes(value);
    }

    /** What {@link ArchiveProcess} understood of an archive and wrote into its folder. */
    public static ArchivedLesson readUnpacked(Path folder) throws IOException {
        return read(Files.readAllBytes(folder.resolve(LESSON)));
    }

    /** The files that it wrote there, by the names that the lesson gives them. */
    public static Map<String, ArchiveProcess.UnpackedFile> unpackedFiles(Path folder) throws IOException {
        return JSON.readValue(
                Files.readAllBytes(folder.resolve(ArchiveProcess.FILES)),
                new TypeReference<Map<String, ArchiveProcess.UnpackedFile>>() {});
    }

    /** Writes a file of the archive elsewhere, whole. */
    public void extract(String name, Path to) throws IOException, ArchiveRefusedException {
        ZipEntry entry = entry(name);
        try (InputStream in = zip.getInputStream(entry);
                OutputStream out = Files.newOutputStream(to)) {
            byte[] buffer = new byte[1 << 16];
            long size = 0;
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                size += read;
                extracted += read;
                // What the archive itself says of sizes is not believed.
                if (size > LARGEST_FILE || extracted > LARGEST_TOTAL) {
                    throw new ArchiveRefusedException(Reason.TOO_LARGE, name);
                }
                out.write(buffer, 0, read);
            }
        } catch (ZipException | java.io.EOFException damaged) {
            throw new ArchiveRefusedException(Reason.DAMAGED, name);
        }
    }

    private ZipEntry entry(String name) throws ArchiveRefusedException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null || entry.isDirectory()) {
            throw new ArchiveRefusedException(Reason.MISSING, name);
        }
        return entry;
    }

    private void checkNames() throws ArchiveRefusedException {
        if (zip.size() > MOST_FILES) {
            throw new ArchiveRefusedException(Reason.TOO_LARGE, "");
        }
        for (ZipEntry entry : Collections.list(zip.entries())) {
            checkPath(entry.getName());
        }
    }

    private static void checkPath(String name) throws ArchiveRefusedException {
        boolean outside = name.startsWith("/")
                || name.contains("\\")
                || name.matches("^[A-Za-z]:.*")
                || Stream.of(name.split("/")).anyMatch(part -> part.equals("..") || part.equals("."));
        if (outside) {
            throw new ArchiveRefusedException(Reason.OUTSIDE, name);
        }
    }

    private ArchivedLesson read() throws IOException, ArchiveRefusedException {
        ZipEntry entry = zip.getEntry(LESSON);
        if (entry == null) {
            throw new ArchiveRefusedException(Reason.NO_LESSON, "");
        }
        byte[] content;
        try (InputStream in = zip.getInputStream(entry)) {
            content = in.readNBytes((int) LARGEST_LESSON + 1);
        } catch (ZipException | java.io.EOFException damaged) {
            throw new ArchiveRefusedException(Reason.DAMAGED, LESSON);
        }
        if (content.length > LARGEST_LESSON) {
            throw new ArchiveRefusedException(Reason.TOO_LARGE, LESSON);
        }
        ArchivedLesson read;
        try {
            read = read(content);
        } catch (JacksonException failure) {
            throw ArchiveRefusedException.unreadable(placeOf(failure));
        }
        if (read == null || !ArchivedLesson.FORMAT.equals(read.format()) || read.version() == null) {
            throw new ArchiveRefusedException(Reason.NO_LESSON, "");
        }
        if (read.version() > ArchivedLesson.VERSION) {
            throw new ArchiveRefusedException(Reason.NEWER, "");
        }
        return read;
    }

    private static String placeOf(JacksonException failure) {
        TokenStreamLocation at = failure.getLocation();
        return at == null || at.getLineNr() < 1 ? "" : String.format(Locale.ROOT, "%d", at.getLineNr());
    }

    /** All ids are there and differ, and all files that are named are there. */
    private void check() throws ArchiveRefusedException {
        Set<String> ids = new HashSet<>();
        checkSizes();
        checkThings(lesson.every().things(), true);
        for (ArchivedPage page : lesson.pages()) {
            checkId(page == null ? null : page.id(), ids);
            checkThings(page.placed().things(), false);
            if (page.slide() != null) {
                if (page.slide().file() == null || page.slide().number() == null) {
                    throw ArchiveRefusedException.unreadable(page.id());
                }
                entry(page.slide().file());
            }
            if (page.picture() != null) {
                if (page.picture().sha256() == null
                        || page.picture().type() == null
                        || !isSize(page.picture().width())
                        || !isSize(page.picture().height())) {
                    throw ArchiveRefusedException.unreadable(page.id());
                }
                entry(pictureName(page.picture().sha256()));
            }
            for (ArchivedLine line : page.lines()) {
                checkId(line == null ? null : line.id(), ids);
                if (line.kind() == null) {
                    throw ArchiveRefusedException.unreadable(line.id());
                }
                for (ArchivedTake take : line.takes()) {
                    check(take, line.id());
                }
            }
        }
        for (String picture : lesson.pictures().keySet()) {
            entry(pictureName(picture));
        }
        for (ArchivedTake take : lesson.prompts().values()) {
            check(take, "");
        }
    }

    /** The limits of every lesson hold for one that comes from elsewhere, too. */
    private void checkSizes() throws ArchiveRefusedException {
        long lines = 0;
        if (lesson.pages().size() > LessonLimits.MOST_PAGES || lesson.title().length() > LessonLimits.LONGEST_TITLE) {
            throw ArchiveRefusedException.tooLarge(LESSON);
        }
        for (ArchivedPage page : lesson.pages()) {
            if (page == null) {
                throw ArchiveRefusedException.unreadable("");
            }
            boolean longTitle = page.title() != null && page.title().length() > LessonLimits.LONGEST_TITLE;
            if (longTitle || page.placed().things().size() > LessonLimits.MOST_THINGS) {
                throw ArchiveRefusedException.tooLarge(LESSON);
            }
            lines += page.lines().size();
            for (ArchivedLine line : page.lines()) {
                boolean tooMuch = line != null
                        && (line.words().length() > LessonLimits.LONGEST_WORDS
                                || line.takes().size() > LessonLimits.MOST_TAKES_OF_A_LINE);
                if (tooMuch) {
                    throw ArchiveRefusedException.tooLarge(line.id() == null ? LESSON : line.id());
                }
            }
        }
        if (lines > LessonLimits.MOST_LINES || lesson.every().things().size() > LessonLimits.MOST_THINGS) {
            throw ArchiveRefusedException.tooLarge(LESSON);
        }
    }

    private static boolean isSize(Integer units) {
        return units == null || units > 0;
    }

    private static void checkId(String id, Set<String> ids) throws ArchiveRefusedException {
        if (id == null || id.isBlank() || !ids.add(id)) {
            throw ArchiveRefusedException.unreadable(id == null ? "" : id);
        }
    }

    /** What archives up to now said of the words among what stands on every page is one of the settings. */
    private static ArchivedLesson read(byte[] content) {
        JsonNode tree = JSON.readTree(content);
        if (tree.isObject() && !tree.has("settings")) {
            boolean hidden = tree.at("/every/manner/wordsHidden").asBoolean(false);
            ((ObjectNode) tree).putPOJO("settings", LessonSettings.USUAL.withWordsHidden(hidden));
        }
        return JSON.treeToValue(tree, ArchivedLesson.class);
    }

    private void checkThings(List<PageElement> things, boolean onEvery) throws ArchiveRefusedException {
        Surroundings there = new Surroundings() {
            @Override
            public boolean isEveryPage() {
                return onEvery;
            }

            /** What leads to a line or a page that isn't there is left out when the lesson is made. */
            @Override
            public boolean hasLine(String id) {
                return id != null;
            }

            @Override
            public boolean hasPage(String id) {
                return true;
            }

            @Override
            public boolean hasPicture(String hash) {
                return lesson.pictures().containsKey(hash);
            }
        };
        for (PageElement thing : things) {
            boolean whole = thing != null
                    && thing.id() != null
                    && thing.area() != null
                    && thing.fault(there).isEmpty();
            if (!whole) {
                throw ArchiveRefusedException.unreadable(thing == null || thing.id() == null ? "" : thing.id());
            }
        }
    }

    private void check(ArchivedTake take, String lineId) throws ArchiveRefusedException {
        if (take == null || take.original() == null || take.trim() == null) {
            throw ArchiveRefusedException.unreadable(lineId);
        }
        if (take.words().length() > LessonLimits.LONGEST_WORDS || take.edits().size() > Edit.MOST) {
            throw ArchiveRefusedException.tooLarge(lineId);
        }
        try {
            take.plainTimes();
            if (!take.plainEdits().stream().allMatch(Edit::isSensible)) {
                throw ArchiveRefusedException.unreadable(lineId);
            }
        } catch (RuntimeException senseless) {
            throw ArchiveRefusedException.unreadable(lineId);
        }
        entry(take.original());
        if (take.heard() != null) {
            entry(take.heard());
        }
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
