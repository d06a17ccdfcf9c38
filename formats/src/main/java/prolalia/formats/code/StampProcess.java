package prolalia.formats.code;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.process.Parent;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that stamps a paper that a teacher brought in: {@code StampProcess REQUEST ANSWER}. It says {@code done} on
 * its standard output when the paper and ANSWER are written, and ends when its standard input does.
 */
public final class StampProcess {
    private static final JsonMapper JSON = new JsonMapper();

    private StampProcess() {}

    /**
     * What is asked of the program.
     *
     * @param paper the PDF
     * @param stamped the PDF that is written
     * @param codes in the order in which they are read
     * @param oneAPage whether each stands in a corner of its page
     * @param evenIfSigned whether it is written although a signature breaks by it
     */
    public record Request(Path paper, Path stamped, List<Code> codes, boolean oneAPage, boolean evenIfSigned) {
        public void write(Path file) throws IOException {
            Files.write(file, JSON.writeValueAsBytes(this));
        }
    }

    /** @param page from 1 @param wanted where its question stands; null for one a page */
    public record Code(int page, String address, Wanted wanted) {}

    /**
     * What became of it.
     *
     * @param signed whether the paper is signed, and so nothing was written
     * @param refused why it can't be stamped; null: it can
     * @param left the addresses for which there was no room
     */
    public record Answer(boolean signed, PaperRefusedException.Reason refused, List<String> left) {
        public static Answer read(Path file) throws IOException {
            return JSON.readValue(Files.readAllBytes(file), Answer.class);
        }
    }

    public static void main(String[] arguments) throws IOException {
        Parent.endWithIt();
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        Request request = JSON.readValue(Files.readAllBytes(Path.of(arguments[0])), Request.class);
        Answer answer;
        try {
            answer = stamp(request);
        } catch (PaperRefusedException refused) {
            answer = new Answer(false, refused.reason(), List.of());
        }
        Files.write(Path.of(arguments[1]), JSON.writeValueAsBytes(answer));
        System.out.println("done");
        System.out.flush();
        System.exit(0);
    }

    private static Answer stamp(Request request) throws IOException, PaperRefusedException {
        List<String> left = new ArrayList<>();
        try (StampedPaper paper = StampedPaper.open(request.paper())) {
            if (paper.isSigned() && !request.evenIfSigned()) {
                return new Answer(true, null, List.of());
            }
            for (int page = 0; page < paper.pages(); page++) {
                int number = page + 1;
                List<Code> codes = request.codes().stream()
                        .filter(code -> code.page() == number)
                        .toList();
                if (!codes.isEmpty()) {
                    stamp(paper, page, codes, request.oneAPage(), left);
                }
            }
            paper.save(request.paper(), request.stamped());
        }
        return new Answer(false, null, left);
    }

    private static void stamp(StampedPaper paper, int page, List<Code> codes, boolean inCorner, List<String> left)
            throws IOException {
        CodePrint print = CodePrint.forDistance(symbol(codes), CodePrint.DESK_DISTANCE_MM);
        Placed placed = inCorner
                ? CodePlaces.inCorner(paper.sheet(page), print)
                : CodePlaces.beside(
                        paper.sheet(page), codes.stream().map(Code::wanted).toList(), print);
        for (int i = 0; i < placed.places().size(); i++) {
            Optional<Place> place = placed.places().get(i);
            if (place.isEmpty()) {
                left.add(codes.get(i).address());
            }
        }
        paper.draw(page, placed, i -> CodeImage.of(codes.get(i).address(), print.symbol()));
    }

    /** One that holds each of them. */
    private static CodeSymbol symbol(List<Code> codes) throws IOException {
        String longest = codes.stream()
                .map(Code::address)
                .max(java.util.Comparator.comparingInt(String::length))
                .orElseThrow();
        try {
            return CodeSymbol.of(longest);
        } catch (TooLongException noCode) {
            throw new IOException(noCode);
        }
    }
}
