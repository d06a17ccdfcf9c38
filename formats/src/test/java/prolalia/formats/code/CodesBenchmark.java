package prolalia.formats.code;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import prolalia.core.code.AskedPlaces;
import prolalia.core.code.AskedPlaces.Asked;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.CodePrint;
import prolalia.core.code.SheetPaper;
import prolalia.core.intake.FoundPage;
import prolalia.formats.code.CodeReader.Found;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.code.Stamping.Stamped;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.Papers;

/**
 * Prints how many codes of stamped papers and of sheets are read, from 300 dpi as they are, and from 150 dpi turned by 2 degrees,
 * blurred by one pixel (Gaussian) and with noise (sigma 8 of 255); how many questions have one; and how long it takes. The papers
 * are the PDFs of a folder that is named, else those that ship. They are read by our own reader alone: others' read less, or more.
 */
public final class CodesBenchmark {
    private static final int PAGES = 20;
    private static final double NOISE = 8;
    private static final Random RANDOM = new Random(7);

    private int codes;
    private int clear;
    private int harsh;
    private int questions;
    private int stamped;
    private long placingMs;

    private CodesBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        System.setProperty("java.awt.headless", "true");
        CodesBenchmark papers = new CodesBenchmark();
        Path folder = Path.of(arguments.length > 0 ? arguments[0] : "app/src/main/resources/demo");
        List<Path> files;
        try (var listed = Files.list(folder)) {
            files = listed.filter(file -> file.toString().endsWith(".pdf"))
                    .sorted()
                    .toList();
        }
        for (Path file : files) {
            papers.stamp(file);
        }
        System.out.printf(
                Locale.ROOT,
                "stamped papers: %d of %d questions of %d papers have a code; read from 300 dpi %d of %d, from 150 dpi turned, blurred, noisy %d; placed and written in %d ms%n",
                papers.stamped,
                papers.questions,
                files.size(),
                papers.clear,
                papers.codes,
                papers.harsh,
                papers.placingMs);
        papers.twentyPages(files);
        for (Layout layout : Layout.values()) {
            new CodesBenchmark().sheet(layout);
        }
    }

    private void stamp(Path file) throws Exception {
        List<FoundPage> found;
        try (Paper paper = Papers.open(file)) {
            found = paper.lines();
        }
        Path out = Files.createTempFile("stamped", ".pdf");
        long began = System.nanoTime();
        Map<Integer, Set<String>> expected = new TreeMap<>();
        try (StampedPaper paper = StampedPaper.open(file)) {
            List<Code> codes = codes(found);
            Stamped done = Stamping.stamp(paper, codes, Manner.EACH_QUESTION, CodePrint.DESK_DISTANCE_MM);
            done.standing()
                    .forEach(each -> expected.computeIfAbsent(each.page() - 1, none -> new HashSet<>())
                            .add(each.code().address()));
            questions += codes.size();
            stamped += done.standing().size();
            paper.save(file, out);
        }
        placingMs += (System.nanoTime() - began) / 1_000_000;
        try (PDDocument document = Loader.loadPDF(out.toFile())) {
            for (Map.Entry<Integer, Set<String>> page : expected.entrySet()) {
                count(document, page.getKey(), page.getValue());
            }
        }
        Files.delete(out);
    }

    private List<Code> codes(List<FoundPage> found) {
        List<Code> codes = new ArrayList<>();
        for (int page = 0; page < found.size(); page++) {
            for (Asked asked : AskedPlaces.of(found.get(page))) {
                codes.add(new Code(page + 1, asked.text(), address(questions + codes.size() + 1), "", asked.wanted()));
            }
        }
        return codes;
    }

    /** Pages of the papers one after the other, again from the first, until they are twenty. */
    private void twentyPages(List<Path> files) throws Exception {
        Path test = Files.createTempFile("twenty", ".pdf");
        try (PDDocument whole = new PDDocument()) {
            for (int i = 0; whole.getNumberOfPages() < PAGES; i++) {
                try (PDDocument one = Loader.loadPDF(files.get(i % files.size()).toFile())) {
                    new PDFMergerUtility().appendDocument(whole, one);
                }
            }
            while (whole.getNumberOfPages() > PAGES) {
                whole.removePage(PAGES);
            }
            whole.save(test.toFile());
        }
        List<FoundPage> found;
        try (Paper paper = Papers.open(test)) {
            found = paper.lines();
        }
        Path out = Files.createTempFile("stamped", ".pdf");
        long began = System.nanoTime();
        try (StampedPaper paper = StampedPaper.open(test)) {
            List<Code> codes = codes(found);
            Stamped done = Stamping.stamp(paper, codes, Manner.EACH_QUESTION, CodePrint.DESK_DISTANCE_MM);
            paper.save(test, out);
            System.out.printf(
                    Locale.ROOT,
                    "a test of %d pages: %d of %d questions stamped in %d ms beyond reading it%n",
                    PAGES,
                    done.standing().size(),
                    codes.size(),
                    (System.nanoTime() - began) / 1_000_000);
        }
        Files.delete(test);
        Files.delete(out);
    }

    private static String address(int number) {
        return "https://lessons.school.example/c/" + (1_000 + number);
    }

    private void count(PDDocument document, int page, Set<String> expected) throws Exception {
        if (expected.isEmpty()) {
            return;
        }
        codes += expected.size();
        clear += read(new PDFRenderer(document).renderImageWithDPI(page, 300), expected);
        harsh += read(harsh(new PDFRenderer(document).renderImageWithDPI(page, 150)), expected);
    }

    private static int read(BufferedImage picture, Set<String> expected) {
        Set<String> read = CodeReader.read(picture).stream().map(Found::text).collect(Collectors.toSet());
        read.retainAll(expected);
        return read.size();
    }

    private static BufferedImage harsh(BufferedImage page) {
        BufferedImage turned =
                new BufferedImage(page.getWidth() + 90, page.getHeight() + 90, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = turned.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, turned.getWidth(), turned.getHeight());
        graphics.setRenderingHint(
                java.awt.RenderingHints.KEY_INTERPOLATION, java.awt.RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        AffineTransform turn = AffineTransform.getTranslateInstance(45, 45);
        turn.rotate(Math.toRadians(2), page.getWidth() / 2.0, page.getHeight() / 2.0);
        graphics.drawImage(page, turn, null);
        graphics.dispose();
        float[] gauss = new float[9];
        float sum = 0;
        for (int y = -1; y <= 1; y++) {
            for (int x = -1; x <= 1; x++) {
                gauss[(y + 1) * 3 + x + 1] = (float) Math.exp(-(x * x + y * y) / 2.0);
                sum += gauss[(y + 1) * 3 + x + 1];
            }
        }
        for (int i = 0; i < gauss.length; i++) {
            gauss[i] /= sum;
        }
        BufferedImage blurred =
                new ConvolveOp(new Kernel(3, 3, gauss), ConvolveOp.EDGE_NO_OP, null).filter(turned, null);
        for (int y = 0; y < blurred.getHeight(); y++) {
            for (int x = 0; x < blurred.getWidth(); x++) {
                int grey = (int) Math.round((blurred.getRGB(x, y) & 0xff) + RANDOM.nextGaussian() * NOISE);
                int clamped = Math.max(0, Math.min(255, grey));
                blurred.setRGB(x, y, clamped << 16 | clamped << 8 | clamped);
            }
        }
        return blurred;
    }

    private void sheet(Layout layout) throws Exception {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            items.add(new Item(
                    "Station " + (i + 1), "HTTP://192.168.100.20:8080/C/ABCDE" + (10_000 + i), "maple otter 7", null));
        }
        long began = System.nanoTime();
        CodeSheet sheet = CodeSheet.of(items, layout, CodeCard.grid(layout, SheetPaper.A4), 0);
        byte[] pdf = SheetPdf.of(sheet, "Codes");
        long took = (System.nanoTime() - began) / 1_000_000;
        int perSheet = sheet.grid().perSheet();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int page = 0; page < Math.min(4, document.getNumberOfPages()); page++) {
                Set<String> expected =
                        items.subList(page * perSheet, Math.min(items.size(), (page + 1) * perSheet)).stream()
                                .map(Item::address)
                                .collect(Collectors.toSet());
                count(document, page, expected);
            }
        }
        System.out.printf(
                Locale.ROOT,
                "sheets of %s: 200 codes in %d ms; of the first %d, read from 300 dpi %d, from 150 dpi turned, blurred, noisy %d%n",
                layout.name().toLowerCase(Locale.ROOT),
                took,
                codes,
                clear,
                harsh);
    }
}
