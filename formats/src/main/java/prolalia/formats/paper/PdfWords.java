package prolalia.formats.paper;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import prolalia.core.intake.PageText;
import prolalia.core.intake.PageText.Word;
import prolalia.core.page.Area;

/** The words of a page of a PDF, each with its place. */
final class PdfWords extends PDFTextStripper {
    /** What letters take above and below their base line, in heights of the font. */
    private static final double ASCENT = 0.76;

    private static final double DESCENT = 0.22;

    private static final float BOLD_WEIGHT = 600;

    private final List<Word> words = new ArrayList<>();
    private double aspect = 1;

    private PdfWords() {
        setSortByPosition(true);
        setSuppressDuplicateOverlappingText(true);
    }

    static PageText of(PDDocument document, int page) throws IOException {
        PdfWords stripper = new PdfWords();
        stripper.setStartPage(page + 1);
        stripper.setEndPage(page + 1);
        stripper.getText(document);
        return new PageText(stripper.aspect, stripper.words);
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
        if (letters.isEmpty() || letters.get(0).getDir() != 0) {
            return;
        }
        TextPosition first = letters.get(0);
        TextPosition last = letters.get(letters.size() - 1);
        double width = first.getPageWidth();
        double height = first.getPageHeight();
        double size = letters.stream()
                .mapToDouble(TextPosition::getFontSizeInPt)
                .max()
                .orElse(0);
        if (!(size > 0) || !(width > 0) || !(height > 0)) {
            return;
        }
        aspect = width / height;
        StringBuilder text = new StringBuilder();
        letters.forEach(letter -> text.append(letter.getUnicode()));
        Area area = Area.between(
                first.getXDirAdj() / width,
                (first.getYDirAdj() - ASCENT * size) / height,
                (last.getXDirAdj() + last.getWidthDirAdj()) / width,
                (first.getYDirAdj() + DESCENT * size) / height);
        words.add(new Word(text.toString(), area, size / height, isBold(first.getFont())));
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
