package prolalia.formats.paper;

import java.awt.Color;
import java.awt.Rectangle;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.poi.sl.usermodel.Placeholder;
import org.apache.poi.sl.usermodel.ShapeType;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFAutoShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextBox;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextRun;
import org.apache.poi.xslf.usermodel.XSLFTextShape;

/** Writes the slides and the worksheet that ship with the demo: {@code DemoPapers FOLDER}. */
final class DemoPapers {
    private static final Color INK = new Color(0x1f3442);
    private static final Color SKY = new Color(0xe8f1f4);
    private static final Color SOIL = new Color(0x8a6a4c);
    private static final Color BEAN = new Color(0xf0dcae);
    private static final Color LEAF = new Color(0x5b9a62);

    private DemoPapers() {}

    public static void main(String[] arguments) throws IOException {
        slides(Path.of(arguments[0], "bean.pptx"));
        worksheet(Path.of(arguments[0], "bakery.pdf"));
        test(Path.of(arguments[0], "ruler.pdf"));
    }

    /** A paper test of two pages, A4. */
    private static void test(Path file) throws IOException {
        String[][][] pages = {
            {
                {"1. How many millimetres are in one centimetre?", "10", "100", "1"},
                {"2. Look at the green line. How long is it?", "4 cm", "6 cm", "8 cm"},
                {"3. Which of these is the longest?", "a paper clip", "a pencil", "a grain of rice"}
            },
            {
                {
                    "4. Ben draws a line of 9 cm. Then he draws 4 cm more. How long is the line now?",
                    "5 cm",
                    "13 cm",
                    "94 cm"
                },
                {"5. Where do you begin to measure?", "at the 0", "at the 1", "at the end"},
                {"6. What do you measure with a ruler?", "how warm", "how long", "how heavy"}
            }
        };
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle("Measuring with a ruler");
            for (String[][] questions : pages) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream pen = new PDPageContentStream(document, page)) {
                    boolean first = questions == pages[0];
                    float y = 770;
                    if (first) {
                        write(pen, BOLD, 22, 60, y, "Measuring with a ruler");
                        y -= 40;
                    }
                    write(pen, PLAIN, 13, 60, y, "Listen to each question. Then circle your answer.");
                    y -= 50;
                    for (String[] question : questions) {
                        write(pen, PLAIN, 13, 60, y, question[0]);
                        for (int choice = 1; choice < question.length; choice++) {
                            y -= 24;
                            write(pen, PLAIN, 13, 84, y, "ABC".charAt(choice - 1) + ". " + question[choice]);
                        }
                        if (question[0].contains("green")) {
                            ruler(pen, 250, y + 4);
                        }
                        y -= 74;
                    }
                }
            }
            document.save(file.toFile());
        }
    }

    /** Eight centimetres, with a line of six above them. */
    private static void ruler(PDPageContentStream pen, float x, float y) throws IOException {
        float centimetre = 72 / 2.54f;
        pen.setNonStrokingColor(LEAF);
        pen.addRect(x, y + 30, 6 * centimetre, 5);
        pen.fill();
        pen.setNonStrokingColor(Color.BLACK);
        pen.setLineWidth(1);
        pen.addRect(x - 8, y - 4, 8 * centimetre + 16, 26);
        pen.stroke();
        for (int mark = 0; mark <= 8; mark++) {
            pen.moveTo(x + mark * centimetre, y + 22);
            pen.lineTo(x + mark * centimetre, y + 12);
            pen.stroke();
        }
    }

    static void slides(Path file) throws IOException {
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream out = Files.newOutputStream(file)) {
            show.setPageSize(new java.awt.Dimension(960, 540));
            XSLFSlide asleep = slide(show, 350);
            for (int i = 0; i < 3; i++) {
                bean(asleep, 170 + i * 250, 392);
                for (int eye = 0; eye < 2; eye++) {
                    int x = 170 + i * 250 + 34 + eye * 30;
                    shape(asleep, ShapeType.ELLIPSE, x, i == 2 ? 412 : 422, 12, i == 2 ? 16 : 4, INK);
                }
                shape(asleep, ShapeType.ELLIPSE, 170 + i * 250 + 48, 440, i == 2 ? 16 : 8, i == 2 ? 8 : 3, INK);
            }
            text(asleep, 60, 40, 840, 60, 34, "Look at the picture. Point to the seed that is awake.");
            text(asleep, 60, 130, 840, 50, 28, "A bean sleeps in the dry soil until the rain comes.");
            XSLFSlide rain = slide(show, 400);
            shape(rain, ShapeType.ELLIPSE, 744, 476, 14, 60, new Color(0xf7efd8))
                    .setRotation(-14);
            bean(rain, 690, 424);
            shape(rain, ShapeType.RECT, 742, 424, 5, 30, SOIL).setRotation(20);
            for (int i = 0; i < 9; i++) {
                shape(
                                rain,
                                ShapeType.TEARDROP,
                                540 + i % 5 * 80,
                                190 + i / 5 * 90 + i % 2 * 30,
                                16,
                                20,
                                new Color(0x6d9dbb))
                        .setRotation(-45);
            }
            text(rain, 60, 36, 840, 50, 30, "The bean drinks and drinks until its coat splits.");
            text(rain, 60, 130, 420, 100, 26, "1. Which part comes out of the seed first?");
            text(rain, 90, 240, 300, 40, 26, "A. the root");
            text(rain, 90, 300, 300, 40, 26, "B. the leaf");
            XSLFSlide awake = slide(show, 400);
            shape(awake, ShapeType.RECT, 476, 250, 8, 170, LEAF);
            shape(awake, ShapeType.ELLIPSE, 384, 236, 92, 40, LEAF).setRotation(18);
            shape(awake, ShapeType.ELLIPSE, 484, 236, 92, 40, LEAF).setRotation(-18);
            shape(awake, ShapeType.SUN, 770, 150, 110, 110, new Color(0xe9c46a));
            text(awake, 60, 40, 840, 60, 30, "Now draw the bean as it will look tomorrow.");
            for (XSLFTextShape placeholder : show.getNotesSlide(awake).getPlaceholders()) {
                if (placeholder.getTextType() == Placeholder.BODY) {
                    placeholder.setText("Take your pencil and your book.");
                }
            }
            show.write(out);
        }
    }

    private static XSLFSlide slide(XMLSlideShow show, int soilY) {
        XSLFSlide slide = show.createSlide();
        shape(slide, ShapeType.RECT, 0, 0, 960, 540, SKY);
        shape(slide, ShapeType.RECT, 0, soilY, 960, 540 - soilY, SOIL);
        return slide;
    }

    private static void bean(XSLFSlide slide, int x, int y) {
        shape(slide, ShapeType.ELLIPSE, x, y, 112, 74, BEAN);
    }

    private static XSLFAutoShape shape(XSLFSlide slide, ShapeType type, int x, int y, int w, int h, Color color) {
        XSLFAutoShape shape = slide.createAutoShape();
        shape.setShapeType(type);
        shape.setAnchor(new Rectangle(x, y, w, h));
        shape.setFillColor(color);
        shape.setLineColor(null);
        return shape;
    }

    private static void text(XSLFSlide slide, int x, int y, int w, int h, double size, String words) {
        XSLFTextBox box = slide.createTextBox();
        box.setAnchor(new Rectangle(x, y, w, h));
        XSLFTextParagraph paragraph = box.getTextParagraphs().get(0);
        XSLFTextRun run = paragraph.addNewTextRun();
        run.setText(words);
        run.setFontSize(size);
        run.setFontFamily("Calibri");
        run.setFontColor(INK);
    }

    private static final PDFont PLAIN = new PDType1Font(FontName.HELVETICA);
    private static final PDFont BOLD = new PDType1Font(FontName.HELVETICA_BOLD);

    static void worksheet(Path file) throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle("At the bakery counter");
            String[][] first = {
                {"1. Nadia has 12 coins. How many rolls can she buy?", "four", "six", "ten"},
                {"2. Omar buys a loaf. He pays with 10 coins. What comes back?", "two", "three", "seven"}
            };
            String[][] second = {
                {"3. Which costs more, three rolls or one loaf?", "three rolls", "one loaf"},
                {"4. The baker sells 5 loaves. How many coins does he get?", "12", "35", "57"}
            };
            page(
                    document,
                    "At the bakery counter",
                    "Rolls cost 2 coins. A loaf costs 7 coins.",
                    "Listen first. Then circle your answer.",
                    first);
            page(
                    document,
                    "Count again",
                    "Each roll costs 2 coins.",
                    "Put your coins in pairs and count the pairs.",
                    new String[0][]);
            page(
                    document,
                    "More at the counter",
                    "Think of the prices on the first page.",
                    "Count with coins or draw them.",
                    second);
            link(document);
            document.save(file.toFile());
        }
    }

    private static void page(PDDocument document, String title, String words, String direction, String[][] items)
            throws IOException {
        PDPage page = new PDPage(new PDRectangle(648, 574));
        document.addPage(page);
        try (PDPageContentStream pen = new PDPageContentStream(document, page)) {
            write(pen, BOLD, 24, 46, 515, title);
            write(pen, PLAIN, 17, 46, 474, words);
            write(pen, PLAIN, 17, 46, 448, direction);
            float y = 398;
            for (String[] item : items) {
                write(pen, PLAIN, 17, 46, y, item[0]);
                float x = 74;
                for (int c = 1; c < item.length; c++) {
                    write(pen, PLAIN, 17, x, y - 34, "ABC".charAt(c - 1) + ". " + item[c]);
                    x += 170;
                }
                y -= 92;
            }
            if (items.length == 0) {
                pairs(pen);
                return;
            }
            write(pen, PLAIN, 17, 46, 190, "Show how you worked it out.");
            pen.setStrokingColor(0.55f);
            pen.setLineDashPattern(new float[] {5, 4}, 0);
            pen.addRect(74, 96, 480, 74);
            pen.stroke();
            if (document.getNumberOfPages() == 3) {
                pen.setNonStrokingColor(0.1f, 0.35f, 0.5f);
                write(pen, PLAIN, 17, 46, 56, "See how bread is baked");
            }
        }
    }

    /** Twelve coins in pairs. */
    private static void pairs(PDPageContentStream pen) throws IOException {
        for (int coin = 0; coin < 12; coin++) {
            pen.setNonStrokingColor(0.93f, 0.8f, 0.42f);
            pen.addRect(80 + coin / 2 * 80, coin % 2 == 0 ? 250 : 300, 36, 36);
            pen.fill();
        }
    }

    private static void link(PDDocument document) throws IOException {
        PDAnnotationLink link = new PDAnnotationLink();
        PDActionURI action = new PDActionURI();
        action.setURI("https://bread.example/how-it-is-baked");
        link.setAction(action);
        link.setRectangle(new PDRectangle(44, 50, 190, 24));
        document.getPage(2).getAnnotations().add(link);
    }

    private static void write(PDPageContentStream pen, PDFont font, float size, float x, float y, String words)
            throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(x, y);
        pen.showText(words);
        pen.endText();
    }
}
