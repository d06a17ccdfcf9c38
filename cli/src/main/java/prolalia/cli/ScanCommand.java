package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import prolalia.formats.code.CodeReader;
import prolalia.formats.code.CodeReader.Found;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import tools.jackson.databind.json.JsonMapper;

/** The codes on a printed paper, as JSON. */
@Command(
        name = "scan",
        mixinStandardHelpOptions = true,
        description = {
            "Finds all codes in a PDF or a picture and prints what they say as JSON; x, y, w and h are about where each is, in shares",
            "of the page from the top left. Exit code 1 when the file can't be read."
        })
final class ScanCommand implements Callable<Integer> {
    private static final double SHARES = 1e4;

    @Parameters(paramLabel = "FILE", description = "A PDF, or a picture.")
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
            List<Object> codes = new ArrayList<>();
            try (Paper paper = Papers.open(file)) {
                for (int page = 0; page < paper.pages(); page++) {
                    for (Found found : CodeReader.read(paper, page)) {
                        codes.add(code(page, found));
                    }
                }
            }
            result.put("codes", codes);
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

    private static Map<String, Object> code(int page, Found found) {
        Map<String, Object> code = new LinkedHashMap<>();
        code.put("page", page + 1);
        code.put("text", found.text());
        code.put("x", rounded(found.area().x()));
        code.put("y", rounded(found.area().y()));
        code.put("w", rounded(found.area().w()));
        code.put("h", rounded(found.area().h()));
        return code;
    }

    private static double rounded(double share) {
        return Math.round(share * SHARES) / SHARES;
    }
}
