package prolalia.formats.lesson;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.adobe.epubcheck.tool.EpubChecker;
import java.awt.Dimension;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import prolalia.formats.book.BookManner;
import prolalia.formats.book.ReadAloudBook;
import prolalia.formats.paper.MadeSlidesForOthers;
import prolalia.formats.slides.LessonSlides;
import prolalia.formats.web.LessonFolder;

/** A lesson leaves the house as a book, as slides and as a folder. */
class LessonOutTest {
    @TempDir
    Path folder;

    private MadeLesson made;

    @BeforeEach
    void make() throws Exception {
        made = new MadeLesson(folder);
    }

    private static Map<String, String> unzipped(byte[] zip) throws Exception {
        Map<String, String> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip), UTF_8)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), new String(in.readAllBytes(), UTF_8));
            }
        }
        return files;
    }

    @ParameterizedTest
    @EnumSource(BookManner.class)
    void theBookPassesEpubCheckWithoutAWord(BookManner manner) throws Exception {
        Path epub = folder.resolve(manner + ".epub");
        try (OutputStream out = Files.newOutputStream(epub)) {
            ReadAloudBook.write(made.lesson, made, manner, Instant.parse("2026-05-04T10:00:00.123Z"), out);
        }
        Path report = folder.resolve("report.json");
        new EpubChecker().run(new String[] {epub.toString(), "--quiet", "--json", report.toString()});
        assertThat(Files.readString(report))
                .contains("\"nFatal\" : 0", "\"nError\" : 0", "\"nWarning\" : 0", "\"messages\" : [ ]");
    }

    @Test
    void theBookLightsUpWordsLeadsByItsWaysAndKeepsTheTeachersNotes() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ReadAloudBook.write(made.lesson, made, BookManner.TEXT, Instant.now(), out);
        Map<String, String> book = unzipped(out.toByteArray());
        assertThat(book.keySet()).first().isEqualTo("mimetype");
        assertThat(book.get("EPUB/page-1.xhtml"))
                .contains(
                        ">bean.</span>", "href=\"right-1-2.xhtml\"", "href=\"page-3.xhtml\"", "href=\"hints-1.xhtml\"")
                .doesNotContain("Count the leaves", "For the teacher alone", "<b>");
        assertThat(book.get("EPUB/right-1-2.xhtml")).contains("awake!", "href=\"page-2.xhtml\"");
        // The dash is no word: the word before it goes on up to the next one, and the last one to the end of the take.
        assertThat(book.get("EPUB/page-2.smil"))
                .contains("clipBegin=\"0.000s\" clipEnd=\"0.200s\"", "clipEnd=\"0.900s\"")
                .containsPattern("page-2.xhtml#l1w3")
                .doesNotContain("l1w4");
        assertThat(book.values()).noneMatch(text -> text.contains("For the teacher alone"));
    }

    @Test
    void aBookOfPagesLooksLikeThePaperWithItsWordsWhereTheyStand() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ReadAloudBook.write(made.lesson, made, BookManner.PAGES, Instant.now(), out);
        Map<String, String> book = unzipped(out.toByteArray());
        assertThat(book.get("EPUB/package.opf")).contains(">pre-paginated</meta>", "rendition:layout-reflowable");
        String page = book.get("EPUB/page-1.xhtml");
        assertThat(page).contains("name=\"viewport\" content=\"width=1200, height=", "class=\"ground\"");
        // Its place on the page, in pixels of 1,200; and the word in the overlay is that one.
        assertThat(page)
                .containsPattern("<span id=\"l\\d+w1\"><i style=\"left:120\\.00px;top:[^\"]+\">Look </i></span>");
        assertThat(page).containsPattern(">bean\\. </i><i style=\"left:120\\.00px[^>]+></i></span>");
        assertThat(book.get("EPUB/page-1.smil")).containsPattern("page-1.xhtml#l\\dw1");
    }

    @Test
    void theFolderNeedsNothingButItselfAndSaysNothingThatStudentsDontMeet() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        LessonFolder.write(made.lesson, made, out);
        Map<String, String> files = unzipped(out.toByteArray());
        String page = files.get("Beans & peas/index.html");
        assertThat(page)
                .contains("data-sound=\"sound/p1-01.mp3\"", "<script defer", "\\u003c")
                .doesNotContain("type=\"module\"", "href=\"/", "src=\"/", "For the teacher alone");
        assertThat(files.keySet())
                .contains("Beans & peas/sound/p1-01.mp3", "Beans & peas/sound/p1-01.vtt")
                .allMatch(name -> name.startsWith("Beans & peas/"));
        assertThat(files.get("Beans & peas/files/player/player.js")).doesNotContainPattern("(?m)^(import|export) ");
        // Every file that the page names is there.
        assertThat(List.of(
                        "player/player.js", "player/player.css", "platform/look.css", "player/prompts/try_again.mp3"))
                .allMatch(name -> page.contains("files/" + name) && files.containsKey("Beans & peas/files/" + name));
    }

    @Test
    void pagesThatWereSlidesGoOutAsThoseWithTheTakesThatPlayByTheirRules() throws Exception {
        Path deck = folder.resolve("deck.pptx");
        MadeSlidesForOthers.write(deck);
        made.madeOf("one", deck, 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        LessonSlides.write(made.lesson, made, out);
        Map<String, String> parts = unzipped(out.toByteArray());
        assertThat(parts.keySet().stream().filter(name -> name.matches("ppt/media/take\\d+\\.mp3")))
                .as("each take that students meet, once")
                .hasSize(4);
        assertThat(parts.get("[Content_Types].xml")).contains("audio/mpeg");
        try (InputStream in = new ByteArrayInputStream(out.toByteArray());
                XMLSlideShow show = new XMLSlideShow(in)) {
            assertThat(show.getSlides()).hasSize(3);
            XSLFSlide first = show.getSlides().get(0);
            assertThat(first.getTitle() + first.getShapes()).isNotEmpty();
            String xml = first.getXmlObject().xmlText();
            assertThat(xml).contains("Second slide");
            // On arrival, at half the volume, twice, going on over the next slides; and on a press.
            assertThat(xml).contains("playFrom(0.0)", "vol=\"50000\"", "repeatCount=\"2000\"", "numSld=\"999\"");
            assertThat(xml.split("interactiveSeq", -1)).hasSize(4);
            assertThat(xml.split("audioFile", -1)).hasSizeGreaterThanOrEqualTo(4);
            String second = show.getSlides().get(1).getXmlObject().xmlText();
            assertThat(second).contains("togglePause", "The bean — drinks.").doesNotContain("playFrom");
        }
        assertThat(parts.get("ppt/slides/_rels/slide2.xml.rels"))
                .contains("relationships/audio", "relationships/media");
    }

    @Test
    void onSlidesOfAnotherFormSpotsLieOnThePictureOfTheirPage() throws Exception {
        Path deck = folder.resolve("square.pptx");
        try (XMLSlideShow other = new XMLSlideShow();
                OutputStream file = Files.newOutputStream(deck)) {
            other.setPageSize(new Dimension(720, 540));
            other.createSlide();
            other.write(file);
        }
        made.madeOf("two", deck, 1);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        LessonSlides.write(made.lesson, made, out);
        try (XMLSlideShow show = new XMLSlideShow(new ByteArrayInputStream(out.toByteArray()))) {
            List<Rectangle2D> pictures = show.getSlides().get(0).getShapes().stream()
                    .filter(XSLFPictureShape.class::isInstance)
                    .map(XSLFShape::getAnchor)
                    .toList();
            assertThat(pictures.get(0)).isEqualTo(new Rectangle2D.Double(0, 67.5, 720, 405));
            assertThat(pictures.get(1).getCenterX()).isCloseTo(0.15 * 720, within(1.0));
            assertThat(pictures.get(1).getCenterY()).isCloseTo(67.5 + 0.15 * 405, within(1.0));
        }
    }
}
