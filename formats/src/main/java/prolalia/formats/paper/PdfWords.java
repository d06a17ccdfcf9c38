package prolalia.formats.paper;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.pdfbox.util.Matrix;
import prolalia.core.intake.PageText;
import prolalia.core.intake.PageText.Word;
import prolalia.core.intake.Writing;

/** The words of a page of a PDF, each with its place. */
final class PdfWords extends PDFTextStripper {
    /** What letters take above and below their base line, in heights of the font. */
    private static final double ASCENT = 0.76;

    private static final double DESCENT = 0.22;

    private static final float BOLD_WEIGHT = 600;

    /** Text that runs further than this off every side of the page is an ornament. */
    private static final double MOST_DEGREES_OFF = 15;

    private final Map<Integer, List<Run>> runs = new TreeMap<>();

    /** The letters of a word. */
    private record Run(String text, double x1, double y1, double x2, double y2, double size, boolean bold) {}

    private PdfWords() {
        setSortByPosition(true);
        setSuppressDuplicateOverlappingText(true);
    }

    /**
     * The words of a page as most of them run.
     *
     * @param upright the page turned so that they are upright
     */
    record Found(PageText text, PdfTurn upright) {}

    static Found of(PDDocument document, int page) throws IOException {
        PdfWords stripper = new PdfWords();
        stripper.setStartPage(page + 1);
        stripper.setEndPage(page + 1);
        stripper.getText(document);
        PdfTurn shown = PdfTurn.shown(document.getPage(page));
        int most = stripper.runs.entrySet().stream()
                .max(Comparator.comparingInt(each -> letters(each.getValue())))
                .map(Map.Entry::getKey)
                .orElse(shown.degrees());
        PdfTurn upright = shown.upright(most);
        List<Word> words = new ArrayList<>();
        for (Run run : stripper.runs.getOrDefault(most, List.of())) {
            words.add(new Word(
                    run.text(),
                    upright.area(run.x1(), run.y1(), run.x2(), run.y2()),
                    run.size() / upright.turnedHeight(),
                    run.bold()));
        }
        return new Found(new PageText(upright.aspect(), words), upright);
    }

    private static int letters(List<Run> runs) {
        return runs.stream().mapToInt(run -> run.text().length()).sum();
    }

    @Override
    protected void writeString(String text, List<TextPosition> letters) {
        List<TextPosition> word = new ArrayList<>();
        for (TextPosition letter : letters) {
            if (letter.getUnicode().isBlank()) {
                add(word);
                word.clear();
            } else {
                word.add(letter);
            }
        }
        add(word);
    }

    private void add(List<TextPosition> letters) {
        if (letters.isEmpty()) {
            return;
        }
        TextPosition first = letters.get(0);
        TextPosition last = letters.get(letters.size() - 1);
        Matrix matrix = first.getTextMatrix();
        // The axes of the letters, in units of the page; the second one is as long as the font is high.
        double upX = matrix.getValue(1, 0);
        double upY = matrix.getValue(1, 1);
        double size = Math.hypot(upX, upY);
        double degrees = Math.toDegrees(Math.atan2(matrix.getValue(0, 1), matrix.getValue(0, 0)));
        int quarter = (int) Math.round(degrees / 90) * 90;
        if (!(size > 0) || Math.abs(degrees - quarter) > MOST_DEGREES_OFF) {
            return;
        }
        StringBuilder text = new StringBuilder();
        letters.forEach(letter -> text.append(letter.getUnicode()));
        runs.computeIfAbsent(Math.floorMod(quarter, PdfTurn.FULL), unseen -> new ArrayList<>())
                .add(new Run(
                        Writing.asWritten(text.toString()),
                        matrix.getTranslateX() - DESCENT * upX,
                        matrix.getTranslateY() - DESCENT * upY,
                        last.getEndX() + ASCENT * upX,
                        last.getEndY() + ASCENT * upY,
                        size,
                        isBold(first.getFont())));
    }

    private static boolean isBold(PDFont font) {
        String name = font.getName() == null ? "" : font.getName().toLowerCase(java.util.Locale.ROOT);
        PDFontDescriptor descriptor = font.getFontDescriptor();
        return name.contains("bold")
                || name.contains("black")
                || name.contains("heavy")
                || descriptor != null && (descriptor.isForceBold() || descriptor.getFontWeight() >= BOLD_WEIGHT);
    }
}
