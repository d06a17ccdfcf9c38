package prolalia.formats.paper;

import java.awt.Dimension;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.sl.usermodel.AutoNumberingScheme;
import org.apache.poi.sl.usermodel.Placeholder;
import org.apache.poi.xslf.usermodel.XSLFGroupShape;
import org.apache.poi.xslf.usermodel.XSLFNotes;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTable;
import org.apache.poi.xslf.usermodel.XSLFTableCell;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextShape;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.intake.ParagraphKinds;
import prolalia.core.intake.ParagraphKinds.Paragraph;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;
import prolalia.core.place.WordPlaces.PlacedWord;

/** The text of a slide: each paragraph of each box, boxes as they are read, the notes last. */
final class SlideLines {
    private static final Set<Placeholder> NOT_READ =
            EnumSet.of(Placeholder.DATETIME, Placeholder.SLIDE_NUMBER, Placeholder.FOOTER, Placeholder.HEADER);
    private static final Set<Placeholder> TITLES =
            EnumSet.of(Placeholder.TITLE, Placeholder.CENTERED_TITLE, Placeholder.SUBTITLE);

    /** Boxes whose tops differ by less stand in one row, as a share of the slide's height. */
    private static final double SAME_ROW = 0.03;

    private final XSLFSlide slide;
    private final Dimension size;
    private final SlideWords words;

    SlideLines(XSLFSlide slide, Dimension size) {
        this.slide = slide;
        this.size = size;
        words = SlideWords.of(slide, size);
    }

    /** A box with text, and where it stands. */
    private record Box(Area area, boolean title, List<XSLFTextParagraph> paragraphs) {}

    FoundPage found() {
        List<Box> boxes = new ArrayList<>();
        slide.getShapes().forEach(shape -> gather(shape, boxes));
        List<Paragraph> given = new ArrayList<>();
        inOrder(boxes).forEach(box -> given.addAll(paragraphs(box)));
        List<FoundLine> lines = new ArrayList<>(ParagraphKinds.tell(given));
        lines.addAll(notes());
        return new FoundPage(lines);
    }

    private void gather(XSLFShape shape, List<Box> boxes) {
        if (shape instanceof XSLFGroupShape group) {
            // A group may count in units of its own; its boxes are taken to stand where the group does.
            List<Box> inside = new ArrayList<>();
            group.getShapes().forEach(each -> gather(each, inside));
            inside.forEach(box -> boxes.add(new Box(placed(group, box.area()), box.title(), box.paragraphs())));
        } else if (shape instanceof XSLFTable table) {
            for (int row = 0; row < table.getNumberOfRows(); row++) {
                for (int column = 0; column < table.getNumberOfColumns(); column++) {
                    XSLFTableCell cell = table.getCell(row, column);
                    if (cell != null && !cell.getText().isBlank()) {
                        Rectangle2D at = cell.getAnchor();
                        boxes.add(new Box(share(at == null ? table.getAnchor() : at), false, cell.getTextParagraphs()));
                    }
                }
            }
        } else if (shape instanceof XSLFTextShape text && !text.getText().isBlank()) {
            Placeholder placeholder = text.getTextType();
            if (placeholder == null || !NOT_READ.contains(placeholder)) {
                boolean title = placeholder != null && TITLES.contains(placeholder);
                boxes.add(new Box(share(text.getAnchor()), title, text.getTextParagraphs()));
            }
        }
    }

    private Area placed(XSLFGroupShape group, Area inside) {
        Rectangle2D outer = group.getAnchor();
        Rectangle2D inner = group.getInteriorAnchor();
        if (outer == null || inner == null || inner.getWidth() <= 0 || inner.getHeight() <= 0) {
            return inside;
        }
        double scaleX = outer.getWidth() / inner.getWidth();
        double scaleY = outer.getHeight() / inner.getHeight();
        return share(new Rectangle2D.Double(
                outer.getX() + (inside.x() * size.width - inner.getX()) * scaleX,
                outer.getY() + (inside.y() * size.height - inner.getY()) * scaleY,
                inside.w() * size.width * scaleX,
                inside.h() * size.height * scaleY));
    }

    private Area share(Rectangle2D at) {
        return at == null
                ? Area.WHOLE
                : new Area(
                        at.getX() / size.width,
                        at.getY() / size.height,
                        Math.max(0, at.getWidth() / size.width),
                        Math.max(0, at.getHeight() / size.height));
    }

    /** Titles first, then by rows from the top, each from the left. */
    private static List<Box> inOrder(List<Box> boxes) {
        List<Box> left = new ArrayList<>(boxes);
        left.sort(Comparator.comparing((Box box) -> !box.title())
                .thenComparingDouble(box -> box.area().y()));
        List<Box> ordered = new ArrayList<>();
        while (!left.isEmpty()) {
            Box first = left.get(0);
            List<Box> row = left.stream()
                    .filter(box -> box.title() == first.title()
                            && box.area().y() - first.area().y() < SAME_ROW)
                    .sorted(Comparator.comparingDouble(box -> box.area().x()))
                    .toList();
            ordered.addAll(row);
            left.removeAll(row);
        }
        return ordered;
    }

    /** The paragraphs of a box share its height by the rows that each needs. */
    private List<Paragraph> paragraphs(Box box) {
        List<Paragraph> given = new ArrayList<>();
        Map<Integer, Integer> counted = new HashMap<>();
        List<Double> heights = box.paragraphs().stream()
                .map(paragraph -> height(paragraph, box.area()))
                .toList();
        double whole = heights.stream().mapToDouble(Double::doubleValue).sum();
        double y = box.area().y();
        for (int i = 0; i < box.paragraphs().size(); i++) {
            XSLFTextParagraph paragraph = box.paragraphs().get(i);
            double height = whole <= 0 ? 0 : box.area().h() * heights.get(i) / whole;
            String text = paragraph.getText().replaceAll("[\\s\\u000b]+", " ").trim();
            if (!text.isEmpty()) {
                Area share = new Area(box.area().x(), y, box.area().w(), height).onPage();
                Optional<SlideWords.Drawn> drawn = words.of(paragraph);
                String written = number(paragraph, counted) + paragraph.getText();
                given.addAll(rows(new Paragraph(
                        written,
                        drawn.map(found -> across(box.area(), found.rows())).orElse(share),
                        box.title(),
                        isBold(paragraph),
                        drawn.map(found -> places(found, written)).orElse(WordPlaces.NONE))));
            } else {
                counted.clear();
            }
            y += height;
        }
        return given;
    }

    /** A paragraph whose rows are choices is one for each of them. */
    private static List<Paragraph> rows(Paragraph paragraph) {
        Area area = paragraph.area();
        List<String> rows = Arrays.stream(paragraph.text().split("[\\n\\u000b]"))
                .map(row -> row.replaceAll("\\s+", " ").trim())
                .filter(row -> !row.isEmpty())
                .toList();
        if (rows.size() < 2 || rows.stream().skip(1).noneMatch(ParagraphKinds::isMarked)) {
            return List.of(new Paragraph(
                    String.join(" ", rows), area, paragraph.title(), paragraph.bold(), paragraph.words()));
        }
        List<Paragraph> given = new ArrayList<>();
        double height = area.h() / rows.size();
        for (int i = 0; i < rows.size(); i++) {
            Area row = new Area(area.x(), area.y() + i * height, area.w(), height);
            given.add(new Paragraph(rows.get(i), row, paragraph.title(), paragraph.bold()));
        }
        return paragraph.in(given);
    }

    /** As high as its rows, and as wide as its box: a mark beside the box is beside the paragraph. */
    private static Area across(Area box, Area rows) {
        return Area.between(Math.min(box.x(), rows.x()), rows.y(), Math.max(box.right(), rows.right()), rows.bottom())
                .onPage();
    }

    /** Without the dot or dash of a list, which is drawn and isn't said. */
    private static WordPlaces places(SlideWords.Drawn drawn, String text) {
        PlacedWord first = drawn.words().get(0);
        boolean bullet = !text.stripLeading().startsWith(first.text());
        return WordPlaces.of(bullet ? drawn.words().subList(1, drawn.words().size()) : drawn.words());
    }

    private double height(XSLFTextParagraph paragraph, Area area) {
        double size = fontSize(paragraph);
        double perRow = Math.max(1, area.w() * this.size.width / (size * 0.5));
        return size * Math.max(1, Math.ceil(paragraph.getText().length() / perRow));
    }

    private static double fontSize(XSLFTextParagraph paragraph) {
        Double size = paragraph.getTextRuns().isEmpty()
                ? paragraph.getDefaultFontSize()
                : paragraph.getTextRuns().get(0).getFontSize();
        return size == null || size <= 0 ? 18 : size;
    }

    private static boolean isBold(XSLFTextParagraph paragraph) {
        return !paragraph.getTextRuns().isEmpty()
                && paragraph.getTextRuns().stream()
                        .allMatch(run -> run.isBold() || run.getRawText().isBlank());
    }

    /** The number or letter that the program which shows the slide writes before a paragraph by itself. */
    private static String number(XSLFTextParagraph paragraph, Map<Integer, Integer> counted) {
        AutoNumberingScheme scheme = paragraph.getAutoNumberingScheme();
        int level = paragraph.getIndentLevel();
        if (scheme == null) {
            counted.keySet().removeIf(each -> each >= level);
            return "";
        }
        Integer start = paragraph.getAutoNumberingStartAt();
        int number = counted.merge(level, start == null ? 1 : start, (before, first) -> before + 1);
        counted.keySet().removeIf(each -> each > level);
        return scheme.format(number) + " ";
    }

    private List<FoundLine> notes() {
        XSLFNotes notes = slide.getNotes();
        if (notes == null) {
            return List.of();
        }
        List<FoundLine> lines = new ArrayList<>();
        for (XSLFTextShape shape : notes.getPlaceholders()) {
            if (shape.getTextType() == Placeholder.BODY) {
                for (XSLFTextParagraph paragraph : shape.getTextParagraphs()) {
                    String text =
                            paragraph.getText().replaceAll("[\\s\\u000b]+", " ").trim();
                    if (!text.isEmpty()) {
                        lines.add(new FoundLine(FoundKind.NOTE, text, new Area(0, 1, 0, 0)));
                    }
                }
            }
        }
        return lines;
    }
}
