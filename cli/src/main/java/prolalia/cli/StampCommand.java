package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.code.AskedPlaces;
import prolalia.core.code.AskedPlaces.Asked;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.core.intake.FoundPage;
import prolalia.core.page.WebAddress;
import prolalia.formats.code.CodeImage;
import prolalia.formats.code.StampedPaper;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import tools.jackson.databind.json.JsonMapper;

/** A paper with a code at each question. */
@Command(
        name = "stamp",
        mixinStandardHelpOptions = true,
        description = {
            "Writes a PDF with a code in the free place beside each question; the code leads to ADDRESS/c/NUMBER. Prints JSON:",
            "the codes (page and question count from 1; x and y are shares of the page from the top left, size is in mm; all of",
            "them with the white around the code), and what was left without one, with the reason. What is there already stays",
            "as it is. Exit code 1 when nothing was written."
        })
final class StampCommand implements Callable<Integer> {
    private static final double MM_PER_CM = 10;

    @Parameters(paramLabel = "FILE", description = "A PDF.")
    private Path file;

    @Option(
            names = "--address",
            required = true,
            description = "Where the codes lead, as https://lessons.school.example")
    private String address;

    @Option(
            names = {"-o", "--output"},
            required = true,
            description = "The PDF that is written.")
    private Path output;

    @ArgGroup
    private Where where = new Where();

    private static final class Where {
        @Option(names = "--one-a-page", description = "One code on each page, with the page's number.")
        private boolean oneAPage;

        @Option(names = "--each-question", description = "One code at each question (as without either).")
        private boolean eachQuestion;
    }

    @Option(
            names = "--distance",
            defaultValue = "18",
            description =
                    "From how far the codes are scanned, in cm (${DEFAULT-VALUE}); where there is less room they are smaller.")
    private double distanceCm;

    @Option(
            names = "--break-signature",
            description = "Also when the PDF is signed; the signature doesn't hold any more.")
    private boolean breakSignature;

    private final List<Object> codes = new ArrayList<>();
    private final List<Object> left = new ArrayList<>();

    @Override
    public Integer call() {
        System.setProperty("java.awt.headless", "true");
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            String refused = refused();
            if (refused == null) {
                refused = stamp(address.strip().replaceAll("/+$", "") + "/c/");
            }
            if (refused == null) {
                result.put("codes", codes);
                result.put("left", left);
            } else {
                result.put("error", refused);
                exit = 1;
            }
        } catch (PaperRefusedException refused) {
            result.put("error", FileMessages.of(refused.reason()));
            exit = 1;
        } catch (TooLongException tooLong) {
            result.put("error", FileMessages.say("code.TOO_LONG"));
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(new JsonMapper().writeValueAsString(result));
        return exit;
    }

    private String refused() throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new NoSuchFileException(file.toString());
        }
        if (WebAddress.of(address).isEmpty()) {
            return FileMessages.say("code.NO_ADDRESS");
        }
        return distanceCm > 0 && distanceCm <= 1_000 ? null : FileMessages.say("code.NO_DISTANCE");
    }

    /** @return why nothing was written; null: it was */
    private String stamp(String start) throws PaperRefusedException, IOException, TooLongException {
        List<FoundPage> found;
        try (Paper paper = Papers.open(file)) {
            found = where.oneAPage ? List.of() : paper.lines();
        }
        try (StampedPaper paper = StampedPaper.open(file)) {
            if (paper.isSigned() && !breakSignature) {
                return FileMessages.say("code.SIGNED");
            }
            // All codes of a paper have one size where they can: that of the longest address.
            int questions = where.oneAPage
                    ? paper.pages()
                    : found.stream()
                            .mapToInt(page -> AskedPlaces.of(page).size())
                            .sum();
            CodePrint print =
                    CodePrint.forDistance(CodeSymbol.of(start + Math.max(1, questions)), distanceCm * MM_PER_CM);
            int number = 1;
            for (int page = 0; page < paper.pages(); page++) {
                if (where.oneAPage) {
                    draw(paper, page, List.of(""), CodePlaces.inCorner(paper.sheet(page), print), start, page + 1);
                } else {
                    number += questions(paper, page, found.get(page), print, start, number);
                }
            }
            write(paper);
            return null;
        }
    }

    private int questions(StampedPaper paper, int page, FoundPage found, CodePrint print, String start, int number)
            throws IOException {
        List<Asked> asked = AskedPlaces.of(found);
        if (asked.isEmpty()) {
            left.add(left(page, null, found.lines().isEmpty() ? "code.NO_TEXT" : "code.NO_QUESTION"));
            return 0;
        }
        Sheet sheet = paper.sheet(page);
        Placed placed =
                CodePlaces.beside(sheet, asked.stream().map(Asked::wanted).toList(), print);
        draw(paper, page, asked.stream().map(Asked::text).toList(), placed, start, number);
        return asked.size();
    }

    private void draw(StampedPaper paper, int page, List<String> texts, Placed placed, String start, int number)
            throws IOException {
        for (int i = 0; i < texts.size(); i++) {
            Optional<Place> place = placed.places().get(i);
            if (place.isEmpty()) {
                left.add(left(page, number + i, "code.NO_ROOM"));
            } else {
                Map<String, Object> code = new LinkedHashMap<>();
                code.put("page", page + 1);
                code.put("question", number + i);
                code.put("address", start + (number + i));
                code.put("x", rounded(place.get().area().x(), 1e5));
                code.put("y", rounded(place.get().area().y(), 1e5));
                code.put("size", rounded(placed.print().sideMm(), 100));
                if (!texts.get(i).isEmpty()) {
                    code.put("text", texts.get(i));
                }
                codes.add(code);
            }
        }
        paper.draw(
                page,
                placed,
                i -> CodeImage.of(start + (number + i), placed.print().symbol()));
    }

    private static Map<String, Object> left(int page, Integer question, String why) {
        Map<String, Object> left = new LinkedHashMap<>();
        left.put("page", page + 1);
        left.put("question", question);
        left.put("why", FileMessages.say(why));
        return left;
    }

    /** Beside the target first: what is there is replaced by something whole. */
    private void write(StampedPaper paper) throws IOException {
        Path target = output.toAbsolutePath();
        // No temporary file of the system's: only its owner could read that.
        Path beside = target.resolveSibling(
                target.getFileName() + "." + ProcessHandle.current().pid() + ".part");
        try {
            paper.save(file, beside);
            Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    private static double rounded(double value, double by) {
        return Math.round(value * by) / by;
    }
}
