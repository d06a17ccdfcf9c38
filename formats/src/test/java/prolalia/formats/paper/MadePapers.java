package prolalia.formats.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** Papers that are set in different ways, with what is to be found on them. */
final class MadePapers {
    static final List<Style> STYLES = List.of(
            new Style("points", 12, "%d. ", "%s. ", 1, false, false, 1.25, 0),
            new Style("brackets", 11, "%d) ", "%s) ", 1, false, true, 1.2, 18),
            new Style("letters in brackets", 12, "(%d) ", "(%s) ", 1, false, false, 1.4, 24),
            new Style("Q", 13, "Q%d. ", "%s) ", 1, false, true, 1.3, 30),
            new Style("boxes across", 12, "%d. ", "[ ] ", 1, true, false, 1.25, 16),
            new Style("letters across", 12, "%d. ", "%s. ", 1, true, true, 1.3, 16),
            new Style("two columns", 10, "%d. ", "%s. ", 2, false, true, 1.2, 12),
            new Style("two columns with brackets", 10, "%d) ", "%s) ", 2, false, false, 1.35, 0),
            new Style("large", 18, "%d. ", "%s. ", 1, false, true, 1.5, 30),
            new Style("Question", 12, "Question %d: ", "%s) ", 1, false, true, 1.2, 20));

    private static final String[][] ITEMS = {
        {"Which animal lays eggs?", "the hen", "the cow", "the horse", "the goat"},
        {"What do we call the place where bread is baked and sold to the people of the town?", "a bakery", "a bank"},
        {"How many wheels has a tricycle?", "two", "three", "four"},
        {"The sun rises in the ____________.", "east", "west", "north"},
        {"Circle the word that rhymes with boat.", "coat", "cat", "beat"},
        {
            "Why did Mina take the long way home from the harbour on the day of the storm?",
            "She lost her boots.",
            "The short way was under water and nobody could walk there.",
            "She met a friend."
        },
        {"Which of these is heavier than a loaf of bread?", "a feather", "a bag of flour", "a leaf"},
        {"What is 7 + 5?", "11", "12", "13"}
    };

    private static final PDFont PLAIN = new PDType1Font(FontName.HELVETICA);
    private static final PDFont BOLD = new PDType1Font(FontName.TIMES_BOLD);

    private final Style style;
    private final PDDocument document = new PDDocument();
    private final List<String> questions = new ArrayList<>();
    private final List<String> choices = new ArrayList<>();
    private PDPageContentStream pen;
    private int pages;
    private float y;
    private int column;

    /**
     * How a paper is set.
     *
     * @param number before a question
     * @param letter before a choice
     * @param across whether choices stand beside each other
     * @param hanging whether a question's second row stands under its first word
     * @param leading from row to row, in sizes of the letters
     * @param indent of choices, in points
     */
    record Style(
            String name,
            float size,
            String number,
            String letter,
            int columns,
            boolean across,
            boolean hanging,
            double leading,
            float indent) {}

    /** A paper, and the questions and choices that stand on it. */
    record Made(Path file, List<String> questions, List<String> choices) {}

    private MadePapers(Style style) {
        this.style = style;
    }

    static Made make(Style style, Path folder) throws IOException {
        MadePapers paper = new MadePapers(style);
        paper.write();
        Path file = folder.resolve(style.name().replace(' ', '-') + ".pdf");
        paper.document.save(file.toFile());
        paper.document.close();
        return new Made(file, paper.questions, paper.choices);
    }

    static byte[] locked(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            document.protect(new StandardProtectionPolicy("owner", "word", new AccessPermission()));
            return bytes(document);
        }
    }

    static byte[] empty(int pages) throws IOException {
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < pages; i++) {
                document.addPage(new PDPage());
            }
            return bytes(document);
        }
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    private void write() throws IOException {
        begin();
        row("Spring paper for the Terns", BOLD, style.size() * 1.6f, left());
        y -= style.size();
        row("Name: ______________      Date: __________", PLAIN, style.size(), left());
        y -= style.size() / 2;
        row("Read each question. Then mark the right answer.", PLAIN, style.size(), left());
        y -= style.size();
        for (int i = 0; i < ITEMS.length * 2; i++) {
            item(i + 1, ITEMS[i % ITEMS.length]);
        }
        pen.close();
    }

    private void item(int number, String[] item) throws IOException {
        float need = (float) (style.size() * style.leading() * (item.length + 2));
        if (y < 90 + need) {
            next();
        }
        String mark = String.format(style.number(), number);
        questions.add(mark + item[0]);
        wrapped(mark, item[0], left(), style.hanging());
        if (style.across()) {
            float x = left() + style.indent();
            for (int c = 1; c < item.length; c++) {
                String choice = String.format(style.letter(), "ABCD".charAt(c - 1)) + item[c];
                float width = width(choice, PLAIN, style.size());
                if (x + width > right()) {
                    y -= leading();
                    x = left() + style.indent();
                }
                text(choice, PLAIN, style.size(), x);
                x += width + style.size() * 3;
                choices.add(choice);
            }
            y -= leading();
        } else {
            for (int c = 1; c < item.length; c++) {
                String letter = String.format(style.letter(), "abcd".charAt(c - 1));
                choices.add(letter + item[c]);
                wrapped(letter, item[c], left() + style.indent(), true);
            }
        }
        y -= style.size() * 0.8f;
    }

    private void wrapped(String mark, String words, float x, boolean hanging) throws IOException {
        float hang = hanging ? width(mark, PLAIN, style.size()) : 0;
        String row = mark;
        float at = x;
        for (String word : words.split(" ")) {
            String longer = row.isEmpty() || row.endsWith(" ") ? row + word : row + " " + word;
            if (at + width(longer, PLAIN, style.size()) > right()) {
                text(row, PLAIN, style.size(), at);
                y -= leading();
                row = word;
                at = x + hang;
            } else {
                row = longer;
            }
        }
        text(row, PLAIN, style.size(), at);
        y -= leading();
    }

    private float leading() {
        return (float) (style.size() * style.leading());
    }

    private float left() {
        return 60 + column * 255f;
    }

    private float right() {
        return style.columns() == 1 ? 535 : left() + 225;
    }

    private void next() throws IOException {
        if (column + 1 < style.columns()) {
            column++;
            y = 700;
        } else {
            pen.close();
            begin();
        }
    }

    private void begin() throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        pen = new PDPageContentStream(document, page);
        pages++;
        column = 0;
        y = 812;
        text("Tern Lane School", PLAIN, 8, 60);
        y = 30;
        text("Page " + pages, PLAIN, 8, 280);
        y = 750;
    }

    private void row(String words, PDFont font, float size, float x) throws IOException {
        text(words, font, size, x);
        y -= size * style.leading();
    }

    private void text(String words, PDFont font, float size, float x) throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(x, y);
        pen.showText(words.stripTrailing());
        pen.endText();
    }

    private static float width(String words, PDFont font, float size) throws IOException {
        return font.getStringWidth(words) / 1000 * size;
    }
}
