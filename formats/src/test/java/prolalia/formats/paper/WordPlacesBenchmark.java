package prolalia.formats.paper;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.sl.usermodel.TextParagraph.TextAlign;
import org.apache.poi.sl.usermodel.VerticalAlignment;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextBox;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextRun;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.page.LinePlacing;
import prolalia.core.page.LinePlacing.LinePlace;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.core.place.InkWords;
import prolalia.core.place.WordPlaces.PlacedWord;

/**
 * Where words stand: of made papers against another program ({@code pdftotext -bbox}, when it is there), of made slides against
 * their ink, of pictures of the papers against the papers; and how lines are pressed and marked.
 * The papers are set in two fonts by one program, and the slides have plain boxes; what teachers have is set in anything.
 */
final class WordPlacesBenchmark {
    private static final double SAME_PLACE = 0.7;

    /** Running heads stand within this share of the page. */
    private static final double HEAD = 0.05;

    private static final Pattern THEIRS = Pattern.compile(
            "<word xMin=\"([-\\d.]+)\" yMin=\"([-\\d.]+)\" xMax=\"([-\\d.]+)\" yMax=\"([-\\d.]+)\">(.*?)</word>");
    private static final Pattern PAGES =
            Pattern.compile("<page width=\"([\\d.]+)\" height=\"([\\d.]+)\">(.*?)</page>", Pattern.DOTALL);
    private static final int TABLET = 768;
    private static final String[] FONTS = {"Arial", "Times New Roman", "Calibri", "Comic Sans MS"};

    private WordPlacesBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        System.setProperty("java.awt.headless", "true");
        Path folder = Files.createTempDirectory("places");
        int[] pdf = new int[2];
        int[] ink = new int[2];
        int[] press = new int[5];
        for (MadePapers.Style style : MadePapers.STYLES) {
            Path file = MadePapers.make(style, folder).file();
            try (Paper paper = Papers.open(file)) {
                List<FoundPage> pages = paper.lines();
                against(file, pages, pdf);
                for (int page = 0; page < pages.size(); page++) {
                    BufferedImage picture = paper.picture(page, 1600);
                    double aspect =
                            (double) paper.size(page).width() / paper.size(page).height();
                    byInk(pages.get(page), PictureInk.fine(picture), ink);
                    press(pages.get(page), PictureInk.of(picture), aspect, press);
                }
            }
        }
        print("places: of %d words that pdftotext finds on ten papers, %.2f %% stand at the same place%n", pdf[1], pdf);
        print("places: of %d words on their pictures, %.2f %% are found by the ink alone%n", ink[1], ink);
        int[] slides = slides(folder.resolve("words.pptx"));
        print(
                "places: of %d words on slides, %.2f %% have a box that holds their ink and is at most 1.5 times as large%n",
                slides[1], slides);
        System.out.printf(
                Locale.ROOT,
                "places: of %d lines on ten papers %.1f %% are pressed on 56 px and more on a tablet, %.1f %% have a tab in a column; "
                        + "%d tabs on ink, %d on another line's place%n",
                press[0],
                100.0 * press[1] / press[0],
                100.0 * press[2] / press[0],
                press[3],
                press[4]);
    }

    private static void print(String words, int all, int[] share) {
        System.out.printf(Locale.ROOT, words, all, share[1] == 0 ? 0 : 100.0 * share[0] / share[1]);
    }

    /** Running heads aren't lines, and aren't counted. */
    private static void against(Path file, List<FoundPage> pages, int[] counted) throws Exception {
        Process other;
        try {
            other = new ProcessBuilder("pdftotext", "-bbox", file.toString(), "-").start();
        } catch (IOException notThere) {
            return;
        }
        Matcher page = PAGES.matcher(new String(other.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
        for (FoundPage found : pages) {
            if (!page.find()) {
                return;
            }
            double width = Double.parseDouble(page.group(1));
            double height = Double.parseDouble(page.group(2));
            List<PlacedWord> ours = found.lines().stream()
                    .flatMap(line -> line.words().words().stream())
                    .toList();
            Matcher word = THEIRS.matcher(page.group(3));
            while (word.find()) {
                Area theirs = Area.between(
                        Double.parseDouble(word.group(1)) / width,
                        Double.parseDouble(word.group(2)) / height,
                        Double.parseDouble(word.group(3)) / width,
                        Double.parseDouble(word.group(4)) / height);
                if (theirs.y() < HEAD || theirs.bottom() > 1 - HEAD) {
                    continue;
                }
                counted[1]++;
                counted[0] += ours.stream().anyMatch(own -> union(own.area(), theirs) >= SAME_PLACE) ? 1 : 0;
            }
        }
    }

    /** Intersection over union. */
    private static double union(Area one, Area other) {
        double w = Math.min(one.right(), other.right()) - Math.max(one.x(), other.x());
        double h = Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y());
        double both = w <= 0 || h <= 0 ? 0 : w * h;
        return both / (one.w() * one.h() + other.w() * other.h() - both);
    }

    /** A word is found when it shares three quarters of its width with the true one, in its row. */
    private static void byInk(FoundPage page, InkMap fine, int[] counted) {
        for (FoundLine line : page.lines()) {
            List<PlacedWord> truth = line.words().words();
            if (line.text().contains("_") || truth.isEmpty()) {
                continue;
            }
            Area drawn = new Area(
                            line.area().x() - 0.005,
                            line.area().y() - 0.004,
                            line.area().w() + 0.01,
                            line.area().h() + 0.008)
                    .onPage();
            List<PlacedWord> found = InkWords.find(fine, drawn, line.text()).words();
            counted[1] += truth.size();
            for (int i = 0; i < truth.size() && found.size() == truth.size(); i++) {
                Area real = truth.get(i).area();
                Area guess = found.get(i).area();
                double shared = Math.min(real.right(), guess.right()) - Math.max(real.x(), guess.x());
                double all = Math.max(real.right(), guess.right()) - Math.min(real.x(), guess.x());
                counted[0] += shared / all > 0.75 && real.holds(real.middleX(), guess.middleY()) ? 1 : 0;
            }
        }
    }

    private static void press(FoundPage page, InkMap ink, double aspect, int[] counted) {
        List<List<Area>> rows = page.lines().stream()
                .map(line -> line.words().rows())
                .filter(each -> !each.isEmpty())
                .toList();
        List<LinePlace> places = LinePlacing.place(rows, ink, List.of(), aspect);
        for (LinePlace place : places) {
            counted[0]++;
            counted[1] += place.press().h() / aspect * TABLET >= 56 ? 1 : 0;
            if (place.tab() != null) {
                counted[2]++;
                counted[3] += ink.isFree(place.tab()) ? 0 : 1;
                counted[4] +=
                        places.stream().anyMatch(other -> other != place && union(other.press(), place.tab()) > 1e-4)
                                ? 1
                                : 0;
            }
        }
    }

    /** @return words whose box is right, words */
    private static int[] slides(Path file) throws Exception {
        List<String> sentences = List.of(
                "Look at the picture. Which of these is heavier than a loaf of bread?",
                "A bean sleeps, quietly, in the dry soil until the rain comes and wakes it up.",
                "are one or two; I am in a row — jump!");
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream out = Files.newOutputStream(file)) {
            show.setPageSize(new java.awt.Dimension(960, 540));
            for (int i = 0; i < 12; i++) {
                XSLFSlide slide = show.createSlide();
                for (int box = 0; box < 3; box++) {
                    XSLFTextBox text = slide.createTextBox();
                    text.setAnchor(new Rectangle(40 + 20 * i, 20 + 170 * box, 520 + 20 * box, 160));
                    text.setVerticalAlignment(VerticalAlignment.values()[i % 3]);
                    text.clearText();
                    XSLFTextParagraph paragraph = text.addNewTextParagraph();
                    paragraph.setTextAlign(
                            new TextAlign[] {TextAlign.LEFT, TextAlign.CENTER, TextAlign.RIGHT}[(i + box) % 3]);
                    for (String word : sentences.get((i + box) % 3).split(" ")) {
                        XSLFTextRun run = paragraph.addNewTextRun();
                        run.setText(word + " ");
                        run.setFontFamily(FONTS[i % FONTS.length]);
                        run.setFontSize(14.0 + 3 * (i % 6));
                        run.setBold(i % 5 == 0);
                    }
                }
            }
            show.write(out);
        }
        int[] counted = new int[2];
        try (Paper paper = Papers.open(file)) {
            List<FoundPage> pages = paper.lines();
            for (int page = 0; page < pages.size(); page++) {
                BufferedImage picture = paper.picture(page, 1920);
                List<PlacedWord> words = pages.get(page).lines().stream()
                        .flatMap(line -> line.words().words().stream())
                        .toList();
                for (PlacedWord word : words) {
                    counted[1]++;
                    counted[0] += holds(picture, word.area(), words) ? 1 : 0;
                }
            }
        }
        return counted;
    }

    /** Whether a box holds the ink that is in it and around it, up to half way to other words. */
    private static boolean holds(BufferedImage picture, Area box, List<PlacedWord> words) {
        double more = 0.3 * box.h();
        Area around = new Area(box.x() - more / 2, box.y() - more, box.w() + more, box.h() + 2 * more);
        int within = 0;
        int all = 0;
        int left = Integer.MAX_VALUE;
        int top = Integer.MAX_VALUE;
        int right = -1;
        int bottom = -1;
        for (int y = (int) (around.y() * picture.getHeight()); y < around.bottom() * picture.getHeight(); y++) {
            for (int x = (int) (around.x() * picture.getWidth()); x < around.right() * picture.getWidth(); x++) {
                double atX = (x + 0.5) / picture.getWidth();
                double atY = (y + 0.5) / picture.getHeight();
                boolean dark = (picture.getRGB(Math.max(0, x), Math.max(0, y)) & 0xff) < 170;
                boolean others = words.stream()
                        .anyMatch(other ->
                                !other.area().equals(box) && other.area().holds(atX, atY));
                if (dark && !others) {
                    all++;
                    within += box.holds(atX, atY) ? 1 : 0;
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        double ink = (double) (right - left) * (bottom - top);
        double ours = box.w() * picture.getWidth() * box.h() * picture.getHeight();
        return all > 0 && within >= 0.95 * all && ours <= 1.5 * ink;
    }
}
