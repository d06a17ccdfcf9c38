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
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.code.AskedPlaces;
import prolalia.core.code.AskedPlaces.Asked;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.core.intake.FoundPage;
import prolalia.core.page.WebAddress;
import prolalia.formats.code.StampedPaper;
import prolalia.formats.code.Stamping;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.code.Stamping.Stamped;
import prolalia.formats.code.Stamping.Standing;
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

        @Option(names = "--each-question", description = "One code at each question (as without any of these).")
        private boolean eachQuestion;

        @Option(
                names = "--rest-at-end",
                description = "One code at each question; those without room on their page on a sheet at the end.")
        private boolean restAtEnd;

        @Option(names = "--at-end", description = "The codes of all questions on sheets at the end, to cut apart.")
        private boolean atEnd;

        private Manner manner() {
            if (oneAPage) {
                return Manner.ONE_A_PAGE;
            }
            if (atEnd) {
                return Manner.AT_END;
            }
            return restAtEnd ? Manner.EACH_QUESTION_REST_AT_END : Manner.EACH_QUESTION;
        }
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
        if (address.length() > WebAddress.LONGEST) {
            return FileMessages.say("code.TOO_LONG");
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
            List<Code> asked = where.oneAPage ? pages(paper.pages(), start) : questions(found, start);
            Stamped stamped = Stamping.stamp(paper, asked, where.manner(), distanceCm * MM_PER_CM);
            for (Standing standing : stamped.standing()) {
                codes.add(code(standing, asked.indexOf(standing.code()) + 1));
            }
            for (Code code : stamped.left()) {
                left.add(left(code.page(), asked.indexOf(code) + 1, "code.NO_ROOM"));
            }
            write(paper);
            return null;
        }
    }

    private static List<Code> pages(int pages, String start) {
        List<Code> asked = new ArrayList<>();
        for (int page = 1; page <= pages; page++) {
            asked.add(new Code(page, "", start + page, "", null));
        }
        return asked;
    }

    private List<Code> questions(List<FoundPage> found, String start) {
        List<Code> asked = new ArrayList<>();
        for (int page = 0; page < found.size(); page++) {
            List<Asked> here = AskedPlaces.of(found.get(page));
            if (here.isEmpty()) {
                boolean bare = found.get(page).lines().isEmpty();
                left.add(left(page + 1, null, bare ? "code.NO_TEXT" : "code.NO_QUESTION"));
            }
            for (Asked each : here) {
                asked.add(new Code(page + 1, each.text(), start + (asked.size() + 1), "", each.wanted()));
            }
        }
        return asked;
    }

    private static Map<String, Object> code(Standing standing, int number) {
        Map<String, Object> code = new LinkedHashMap<>();
        code.put("page", standing.page());
        code.put("question", number);
        code.put("address", standing.code().address());
        code.put("x", rounded(standing.area().x(), 1e5));
        code.put("y", rounded(standing.area().y(), 1e5));
        code.put("size", rounded(standing.sideMm(), 100));
        if (!standing.code().name().isEmpty()) {
            code.put("text", standing.code().name());
        }
        return code;
    }

    private static Map<String, Object> left(int page, Integer question, String why) {
        Map<String, Object> left = new LinkedHashMap<>();
        left.put("page", page);
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
