package prolalia.formats.book;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import prolalia.core.page.Paths;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPage.OnPage;
import prolalia.core.published.StudentPage.SaidLine;
import prolalia.core.published.StudentPages;
import prolalia.formats.book.BookChapter.Way;
import prolalia.formats.lesson.LessonFiles;
import prolalia.formats.lesson.PictureEnding;
import prolalia.formats.lesson.Shipped;
import prolalia.formats.lesson.ZipOut;
import prolalia.formats.web.StudentPageWriter;

/**
 * A lesson as a read-aloud book (EPUB 3.3 with Media Overlays, sections 3 to 5 and 9): each page a chapter, its words lighting
 * up one by one as they are said. Hints, and what is said after a right or a wrong way, are chapters of their own that only
 * their links lead to.
 */
public final class ReadAloudBook {
    private static final String MEDIA_TYPE = "application/epub+zip";
    private static final String FOLDER = "EPUB/";
    private static final List<String> FONTS = List.of("primer-reader-latin-400.woff2", "primer-reader-latin-700.woff2");

    private final PublishedLesson lesson;
    private final LessonFiles files;
    private final BookManner manner;
    private final List<StudentPage> pages;
    private final List<BookChapter> chapters = new ArrayList<>();
    private final Map<String, String> sounds = new LinkedHashMap<>();
    private final Map<String, String> pictures = new LinkedHashMap<>();
    private final Map<String, String> icons = new LinkedHashMap<>();

    private ReadAloudBook(PublishedLesson lesson, LessonFiles files, BookManner manner) {
        this.manner = manner;
        this.lesson = lesson;
        this.files = files;
        pages = StudentPages.of(lesson);
        List<BookChapter> aside = new ArrayList<>();
        for (StudentPage page : pages) {
            if (manner == BookManner.PAGES && page.page() != null && page.page().picture() != null) {
                addPages(page, aside);
            } else {
                chapters.add(chapter(page, aside));
            }
        }
        chapters.addAll(aside);
    }

    /**
     * @param changed when the lesson was last changed
     * @param out not closed
     */
    public static void write(
            PublishedLesson lesson, LessonFiles files, BookManner manner, Instant changed, OutputStream out)
            throws IOException {
        new ReadAloudBook(lesson, files, manner).write(changed, out);
    }

    /** A page that looks as it was given; what stands nowhere on it follows as text. */
    private void addPages(StudentPage page, List<BookChapter> aside) {
        String name = pageName(page.number());
        FixedChapter fixed = new FixedChapter(
                name,
                title(page),
                lang(),
                page.page().aspect(),
                picture(page.page().picture().hash()),
                page.page().picture().shows());
        for (OnPage each : page.onPage()) {
            if (each.picture() != null) {
                fixed.picture(picture(each.picture().hash()), each.picture().shows());
            } else if (each.text() != null) {
                fixed.paragraph(each.text().words());
            } else if (each.said() != null) {
                add(each.said().line(), fixed);
            } else {
                fixed.way(way(page, each, aside));
            }
            fixed.at(each.area());
        }
        chapters.add(fixed);
        BookChapter rest = new BookChapter(name + "-more", title(page), lang(), true);
        page.lines().stream().map(SaidLine::line).forEach(line -> add(line, rest));
        addHints(page, rest, aside);
        if (!rest.parts().isEmpty()) {
            chapters.add(rest);
        }
    }

    private String title(StudentPage page) {
        return page.name().isEmpty() ? say("player.where", page.number(), page.count()) : page.name();
    }

    private BookChapter chapter(StudentPage page, List<BookChapter> aside) {
        BookChapter chapter = new BookChapter(pageName(page.number()), title(page), lang(), true);
        if (page.page() == null) {
            chapter.paragraph(say("player.nothing"));
            return chapter;
        }
        if (page.page().picture() != null) {
            chapter.picture(
                    picture(page.page().picture().hash()), page.page().picture().shows());
        }
        for (OnPage each : page.onPage()) {
            if (each.picture() != null) {
                chapter.picture(picture(each.picture().hash()), each.picture().shows());
            } else if (each.text() != null) {
                chapter.paragraph(each.text().words());
            }
        }
        page.allLines().stream().map(SaidLine::line).forEach(line -> add(line, chapter));
        for (OnPage each : page.onPage()) {
            if (each.link() != null || each.toNumber() != null) {
                chapter.way(way(page, each, aside));
            }
        }
        addHints(page, chapter, aside);
        return chapter;
    }

    /** Where a link or a jump leads. */
    private Way way(StudentPage page, OnPage each, List<BookChapter> aside) {
        if (each.link() == null) {
            return new Way(jump(page, each, aside), wordsOf(page, each));
        }
        String words = each.link().words();
        return new Way(each.link().address(), words.isBlank() ? each.link().address() : words);
    }

    private void addHints(StudentPage page, BookChapter chapter, List<BookChapter> aside) {
        if (!page.hints().isEmpty()) {
            BookChapter hints = new BookChapter("hints-" + page.number(), say("player.hints"), lang(), false);
            page.hints().stream().map(SaidLine::line).forEach(line -> add(line, hints));
            hints.way(new Way(pageName(page.number()) + ".xhtml", say("player.backToPage")));
            aside.add(hints);
            chapter.way(new Way("hints-" + page.number() + ".xhtml", say("player.hint")));
        }
    }

    private static String wordsOf(StudentPage page, OnPage each) {
        if (!each.jump().words().isBlank()) {
            return each.jump().words();
        }
        if (!page.wordsOfChoice(each.jump()).isBlank()) {
            return page.wordsOfChoice(each.jump());
        }
        return each.jump().leadsBack() ? say("player.wayBack") : say("player.jump", each.toNumber());
    }

    /** Where a way leads: when something is said first, over the chapter in which it is. */
    private String jump(StudentPage page, OnPage each, List<BookChapter> aside) {
        String target = pageName(each.toNumber()) + ".xhtml";
        boolean right = each.jump().way() == Paths.Kind.RIGHT;
        PublishedLine said = each.isChosen() ? right ? page.praise() : page.correction() : null;
        if (said == null) {
            return target;
        }
        String name = (right ? "right-" : "wrong-") + page.number() + "-" + each.toNumber();
        if (aside.stream().noneMatch(other -> other.name().equals(name))) {
            BookChapter answer = new BookChapter(name, say("player.answer"), lang(), false);
            add(said, answer);
            answer.way(new Way(target, say("player.jump", each.toNumber())));
            aside.add(answer);
        }
        return name + ".xhtml";
    }

    private void add(PublishedLine line, BookChapter chapter) {
        String icon = null;
        if (line.icon() != null) {
            icon = "steps/" + line.icon().name().toLowerCase(Locale.ROOT) + ".svg";
            icons.put(icon, say("icon." + line.icon()));
        }
        if (!line.isHeard()) {
            chapter.line(line, null, List.of(), icon, icon == null ? "" : icons.get(icon));
            return;
        }
        String sound = sounds.computeIfAbsent(
                line.soundHash(), hash -> String.format(Locale.ROOT, "sound/%03d.mp3", sounds.size() + 1));
        chapter.line(line, sound, files.times(line), icon, icon == null ? "" : icons.get(icon));
    }

    private String picture(String hash) {
        return pictures.computeIfAbsent(
                hash,
                each -> String.format(
                        Locale.ROOT,
                        "pictures/%03d%s",
                        pictures.size() + 1,
                        PictureEnding.of(files.pictureType(each))));
    }

    private static String pageName(int number) {
        return "page-" + number;
    }

    private static String say(String key, Object... arguments) {
        return StudentPageWriter.say(key, arguments);
    }

    private void write(Instant changed, OutputStream out) throws IOException {
        // The first file says what the archive is, where it is looked for (Open Container Format, 4.2.4): not
        // compressed.
        ZipOut zip = new ZipOut(out);
        zip.putPlain("mimetype", MEDIA_TYPE.getBytes(StandardCharsets.US_ASCII));
        zip.put("META-INF/container.xml", BookPackage.container(FOLDER + "package.opf"));
        zip.put(FOLDER + "package.opf", book(changed).packageDocument());
        zip.put(
                FOLDER + "nav.xhtml",
                BookPackage.navigation(lesson.title(), lesson.settings().lang(), chapters));
        for (BookChapter chapter : chapters) {
            zip.put(FOLDER + chapter.name() + ".xhtml", chapter.text());
            if (chapter.isHeard()) {
                zip.put(FOLDER + chapter.name() + ".smil", chapter.overlay());
            }
        }
        zip.put(FOLDER + "book.css", Shipped.read("prolalia/formats/book/book.css"));
        zip.compressNoMore();
        for (String font : FONTS) {
            zip.put(FOLDER + "fonts/" + font, Shipped.asset("fonts/" + font));
        }
        for (String icon : icons.keySet()) {
            zip.put(FOLDER + icon, Shipped.asset("platform/" + icon));
        }
        for (Map<String, String> named : List.of(sounds, pictures)) {
            for (Map.Entry<String, String> file : named.entrySet()) {
                zip.put(FOLDER + file.getValue(), files.file(file.getKey()));
            }
        }
        zip.finish();
    }

    private BookPackage book(Instant changed) {
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("book.css", "text/css");
        FONTS.forEach(font -> parts.put("fonts/" + font, "font/woff2"));
        icons.keySet().forEach(icon -> parts.put(icon, "image/svg+xml"));
        sounds.values().forEach(sound -> parts.put(sound, "audio/mpeg"));
        pictures.forEach((hash, name) -> parts.put(name, files.pictureType(hash)));
        // The same lesson is the same book, however often it is written.
        String content = manner + lesson.title() + sounds.keySet() + pictures.keySet();
        return new BookPackage(
                UUID.nameUUIDFromBytes(content.getBytes(StandardCharsets.UTF_8)),
                lesson.title(),
                lesson.settings().lang(),
                changed.truncatedTo(ChronoUnit.SECONDS),
                chapters,
                parts);
    }

    private String lang() {
        return lesson.settings().lang();
    }
}
