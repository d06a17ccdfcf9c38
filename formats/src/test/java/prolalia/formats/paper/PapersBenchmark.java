package prolalia.formats.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.page.SpotPlacing;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/** Prints how well lines are found on made papers, how well marks are placed, and how long reading takes. */
final class PapersBenchmark {
    private PapersBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        System.setProperty("java.awt.headless", "true");
        Path folder = Files.createTempDirectory("papers");
        int right = 0;
        int found = 0;
        int there = 0;
        int free = 0;
        int marks = 0;
        for (MadePapers.Style style : MadePapers.STYLES) {
            MadePapers.Made made = MadePapers.make(style, folder);
            List<String> expected = new ArrayList<>(made.questions());
            expected.addAll(made.choices());
            try (Paper paper = Papers.open(made.file())) {
                List<FoundPage> pages = paper.lines();
                there += expected.size();
                for (int page = 0; page < pages.size(); page++) {
                    InkMap ink = PictureInk.of(paper.picture(page, 1600));
                    List<Area> taken = new ArrayList<>();
                    double aspect =
                            (double) paper.size(page).width() / paper.size(page).height();
                    for (FoundLine line : pages.get(page).lines()) {
                        if (line.kind() == FoundKind.QUESTION || line.kind() == FoundKind.CHOICE) {
                            found++;
                            right += expected.remove(line.text()) ? 1 : 0;
                        }
                        SpotPlacing.Place place = SpotPlacing.beside(line.area(), ink, taken, aspect);
                        taken.add(place.area());
                        marks++;
                        free += place.free() ? 1 : 0;
                    }
                }
            }
        }
        System.out.printf(
                Locale.ROOT,
                "papers of %d styles: precision %.3f, recall %.3f over %d questions and choices%n",
                MadePapers.STYLES.size(),
                (double) right / found,
                (double) right / there,
                there);
        System.out.printf(Locale.ROOT, "marks: %.1f %% of %d cover nothing%n", 100.0 * free / marks, marks);
        time("100 pages of PDF", manyPages(folder, 100));
        time("40 slides", manySlides(folder, 40));
    }

    private static Path manyPages(Path folder, int pages) throws IOException {
        Path one = MadePapers.make(MadePapers.STYLES.get(0), folder).file();
        Path many = folder.resolve("many.pdf");
        org.apache.pdfbox.multipdf.PDFMergerUtility merger = new org.apache.pdfbox.multipdf.PDFMergerUtility();
        for (int i = 0; i < pages / 2; i++) {
            merger.addSource(one.toFile());
        }
        merger.setDestinationFileName(many.toString());
        merger.mergeDocuments(null);
        return many;
    }

    private static Path manySlides(Path folder, int slides) throws Exception {
        Path one = folder.resolve("one.pptx");
        MadeSlides.write(one, new byte[10]);
        Path many = folder.resolve("many.pptx");
        try (XMLSlideShow show = new XMLSlideShow(Files.newInputStream(one))) {
            while (show.getSlides().size() < slides) {
                show.createSlide().importContent(show.getSlides().get(0));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            show.write(out);
            Files.write(many, out.toByteArray());
        }
        return many;
    }

    private static void time(String what, Path file) throws Exception {
        Path out = Files.createTempDirectory("read");
        long began = System.nanoTime();
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx560m",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("java.class.path"),
                        PaperProcess.class.getName(),
                        file.toString(),
                        out.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes());
        System.out.printf(
                Locale.ROOT,
                "reading %s (%d kB): %.1f s, %s%n",
                what,
                Files.size(file) / 1024,
                (System.nanoTime() - began) / 1e9,
                said.strip().replaceAll("(?s).*\n", ""));
    }
}
