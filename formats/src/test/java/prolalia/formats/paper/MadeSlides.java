package prolalia.formats.paper;

import java.awt.Color;
import java.awt.Dimension;
import java.awt.Rectangle;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.openxml4j.opc.PackagingURIHelper;
import org.apache.poi.openxml4j.opc.TargetMode;
import org.apache.poi.sl.usermodel.AutoNumberingScheme;
import org.apache.poi.sl.usermodel.PictureData.PictureType;
import org.apache.poi.sl.usermodel.Placeholder;
import org.apache.poi.sl.usermodel.ShapeType;
import org.apache.poi.xslf.usermodel.SlideLayout;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFAutoShape;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextBox;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextRun;
import org.apache.poi.xslf.usermodel.XSLFTextShape;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;

/** Slides as teachers have them, and as nobody should. */
final class MadeSlides {
    private static final String AUDIO = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/audio";

    private MadeSlides() {}

    /** Three slides; the first has a title, a numbered list, a jump to the last, a link, notes and a sound. */
    static void write(Path file, byte[] sound) throws Exception {
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream out = Files.newOutputStream(file)) {
            show.setPageSize(new Dimension(960, 540));
            XSLFSlide first = show.createSlide(show.getSlideMasters().get(0).getLayout(SlideLayout.TITLE_ONLY));
            first.getPlaceholder(0).setText("At the harbour");
            box(first, 60, 120, 400, 40).setText("Look at the boats.");
            XSLFTextBox list = box(first, 60, 180, 400, 200);
            list.clearText();
            numbered(list, "Which boat is red?", AutoNumberingScheme.arabicPeriod, 0, 1);
            numbered(list, "the first", AutoNumberingScheme.alphaLcParenRight, 1, 1);
            numbered(list, "the second", AutoNumberingScheme.alphaLcParenRight, 1, 1);
            numbered(list, "How many are there?", AutoNumberingScheme.arabicPeriod, 0, 1);
            XSLFTextParagraph across = list.addNewTextParagraph();
            across.addNewTextRun().setText("A. two      B. three");
            XSLFSlide second = show.createSlide();
            XSLFSlide third = show.createSlide();
            XSLFAutoShape boat = second.createAutoShape();
            boat.setShapeType(ShapeType.RECT);
            boat.setAnchor(new Rectangle(380, 220, 200, 100));
            boat.setFillColor(Color.RED);
            XSLFAutoShape door = first.createAutoShape();
            door.setAnchor(new Rectangle(768, 400, 100, 60));
            door.createHyperlink().linkToSlide(third);
            XSLFTextBox more = box(first, 500, 400, 200, 40);
            XSLFTextRun words = more.addNewTextParagraph().addNewTextRun();
            words.setText("The tides");
            words.createHyperlink().setAddress("https://tides.example/today");
            for (XSLFTextShape place : show.getNotesSlide(first).getPlaceholders()) {
                if (place.getTextType() == Placeholder.BODY) {
                    place.setText("Wait until all look.");
                }
            }
            sound(show, first, sound);
            show.write(out);
        }
    }

    private static XSLFTextBox box(XSLFSlide slide, int x, int y, int w, int h) {
        XSLFTextBox box = slide.createTextBox();
        box.setAnchor(new Rectangle(x, y, w, h));
        return box;
    }

    private static void numbered(XSLFTextBox box, String words, AutoNumberingScheme scheme, int level, int from) {
        XSLFTextParagraph paragraph = box.addNewTextParagraph();
        paragraph.addNewTextRun().setText(words);
        paragraph.setIndentLevel(level);
        paragraph.setBulletAutoNumber(scheme, from);
    }

    private static void sound(XMLSlideShow show, XSLFSlide slide, byte[] content) throws Exception {
        PackagePart part =
                show.getPackage().createPart(PackagingURIHelper.createPartName("/ppt/media/line.wav"), "audio/wav");
        try (OutputStream out = part.getOutputStream()) {
            out.write(content);
        }
        String id = slide.getPackagePart()
                .addRelationship(part.getPartName(), TargetMode.INTERNAL, AUDIO)
                .getId();
        XSLFPictureShape icon =
                slide.createPicture(show.addPicture(MadePictures.turnedJpeg(9, 9, 1), PictureType.JPEG));
        icon.setAnchor(new Rectangle(480, 300, 40, 40));
        ((CTPicture) icon.getXmlObject())
                .getNvPicPr()
                .getNvPr()
                .addNewAudioFile()
                .setLink(id);
    }

    /** One slide with words of one font and size. */
    static void writeText(Path file, String font, double size, String words) throws IOException {
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream out = Files.newOutputStream(file)) {
            show.setPageSize(new Dimension(960, 540));
            XSLFTextRun run = box(show.createSlide(), 40, 100, 880, 150)
                    .addNewTextParagraph()
                    .addNewTextRun();
            run.setText(words);
            run.setFontFamily(font);
            run.setFontSize(size);
            run.setFontColor(Color.BLACK);
            show.write(out);
        }
    }

    static byte[] empty() throws IOException {
        try (XMLSlideShow show = new XMLSlideShow()) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            show.write(out);
            return out.toByteArray();
        }
    }

    /** Slides with a part that unpacks to a thousand times its size. */
    static byte[] bomb() throws IOException {
        return changed("ppt/slides/slide1.xml", " ".repeat(30 << 20));
    }

    /** Slides whose XML refers to entities that refer to entities. */
    static byte[] entities() throws IOException {
        StringBuilder xml = new StringBuilder("<!DOCTYPE p [<!ENTITY a0 \"ha\">");
        for (int i = 1; i < 30; i++) {
            xml.append("<!ENTITY a")
                    .append(i)
                    .append(" \"&a")
                    .append(i - 1)
                    .append(";&a")
                    .append(i - 1)
                    .append(";\">");
        }
        return changed("ppt/presentation.xml", xml + "]><p>&a29;</p>");
    }

    private static byte[] changed(String part, String content) throws IOException {
        ByteArrayOutputStream whole = new ByteArrayOutputStream();
        try (XMLSlideShow show = new XMLSlideShow()) {
            show.createSlide();
            show.write(whole);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var in = new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(whole.toByteArray()));
                ZipOutputStream zip = new ZipOutputStream(out)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                zip.putNextEntry(new ZipEntry(entry.getName()));
                zip.write(entry.getName().equals(part) ? content.getBytes(StandardCharsets.UTF_8) : in.readAllBytes());
            }
        }
        return out.toByteArray();
    }

    /** @param entries name, content, name, content */
    static byte[] zip(String... entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < entries.length; i += 2) {
                zip.putNextEntry(new ZipEntry(entries[i]));
                zip.write(entries[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }
}
