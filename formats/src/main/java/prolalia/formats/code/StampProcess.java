package prolalia.formats.code;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.code.Stamping.Stamped;
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
     * @param evenIfSigned whether it is written although a signature breaks by it
     */
    public record Request(Path paper, Path stamped, List<Code> codes, Manner manner, boolean evenIfSigned) {
        public void write(Path file) throws IOException {
            Files.write(file, JSON.writeValueAsBytes(this));
        }
    }

    /**
     * What became of it.
     *
     * @param signed whether the paper is signed, and so nothing was written
     * @param refused why it can't be stamped; null: it can
     * @param atEnd the addresses whose codes stand on a sheet at the end
     * @param left those whose codes stand nowhere
     */
    public record Answer(boolean signed, PaperRefusedException.Reason refused, List<String> atEnd, List<String> left) {
        public static Answer read(Path file) throws IOException {
            return JSON.readValue(Files.readAllBytes(file), Answer.class);
        }
    }

    public static void main(String[] arguments) throws IOException {
        Parent parent = Parent.meet();
        Request request = JSON.readValue(Files.readAllBytes(Path.of(arguments[0])), Request.class);
        Answer answer;
        try {
            answer = stamp(request);
        } catch (PaperRefusedException refused) {
            answer = new Answer(false, refused.reason(), List.of(), List.of());
        }
        Files.write(Path.of(arguments[1]), JSON.writeValueAsBytes(answer));
        parent.say("done");
        System.exit(0);
    }

    private static Answer stamp(Request request) throws IOException, PaperRefusedException {
        try (StampedPaper paper = StampedPaper.open(request.paper())) {
            if (paper.isSigned() && !request.evenIfSigned()) {
                return new Answer(true, null, List.of(), List.of());
            }
            int pages = paper.pages();
            Stamped stamped = Stamping.stamp(paper, request.codes(), request.manner(), CodePrint.DESK_DISTANCE_MM);
            paper.save(request.paper(), request.stamped());
            return new Answer(
                    false,
                    null,
                    stamped.standing().stream()
                            .filter(each -> each.page() > pages)
                            .map(each -> each.code().address())
                            .toList(),
                    stamped.left().stream().map(Code::address).toList());
        } catch (TooLongException noCode) {
            throw new IOException(noCode);
        }
    }
}
