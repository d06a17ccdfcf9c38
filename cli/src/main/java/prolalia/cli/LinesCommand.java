package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import tools.jackson.databind.json.JsonMapper;

/** The lines of a paper, as JSON. */
@Command(
        name = "lines",
        mixinStandardHelpOptions = true,
        description = {
            "Finds what can be said of each page of a PDF or of slides (PPTX) and prints it as JSON.",
            "Places are shares of the page, 0 to 1, from the top left. Exit code 1 when the file can't be read."
        })
final class LinesCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "A PDF, slides (PPTX), or a picture.")
    private Path file;

    @Override
    public Integer call() {
        System.setProperty("java.awt.headless", "true");
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            if (!Files.isRegularFile(file)) {
                throw new NoSuchFileException(file.toString());
            }
            try (Paper paper = Papers.open(file)) {
                List<FoundPage> found = paper.lines();
                List<Object> pages = new ArrayList<>();
                for (int i = 0; i < paper.pages(); i++) {
                    pages.add(page(i, paper.size(i), found.get(i)));
                }
                result.put("pages", pages);
            }
        } catch (PaperRefusedException refused) {
            result.put("error", FileMessages.of(refused.reason()));
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(new JsonMapper().writeValueAsString(result));
        return exit;
    }

    private static Map<String, Object> page(int page, Paper.PageSize size, FoundPage found) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("number", page + 1);
        shown.put("width", size.width());
        shown.put("height", size.height());
        shown.put("lines", found.lines().stream().map(LinesCommand::line).toList());
        return shown;
    }

    private static Map<String, Object> line(FoundLine line) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("kind", line.kind().name().toLowerCase(Locale.ROOT));
        shown.put("text", line.text());
        put(line.area(), shown);
        shown.put("words", line.words().words().stream().map(LinesCommand::word).toList());
        return shown;
    }

    private static Map<String, Object> word(PlacedWord word) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("text", word.text());
        put(word.area(), shown);
        return shown;
    }

    private static void put(Area area, Map<String, Object> shown) {
        shown.put("x", rounded(area.x()));
        shown.put("y", rounded(area.y()));
        shown.put("w", rounded(area.w()));
        shown.put("h", rounded(area.h()));
    }

    private static double rounded(double share) {
        return Math.round(share * 1e5) / 1e5;
    }
}
