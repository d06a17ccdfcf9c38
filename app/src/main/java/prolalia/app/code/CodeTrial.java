package prolalia.app.code;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.access.LessonRef;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.ScriptLine;
import prolalia.app.link.Link;
import prolalia.app.link.LinkService;
import prolalia.app.link.LinkService.Target;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.LimitedStream;
import prolalia.core.code.CodePrint;
import prolalia.formats.code.CodeReader;
import prolalia.formats.code.ScanProcess;
import prolalia.formats.code.ScanProcess.Answer;
import prolalia.formats.code.ScanProcess.FoundCode;
import prolalia.formats.paper.PaperRefusedException;

/** Finds the codes on a file and says where each leads. The file is opened in a program of its own; nothing is asked of any network. */
@Service
class CodeTrial {
    static final long LARGEST_BYTES = 60L << 20;

    static final int LONGEST_FRAME_PX = 1_280;

    private static final int HEAP_MB = 640;
    private static final long LONGEST_MS = 180_000;

    /** What is estimated is off by a fifth at times. */
    private static final double TOO_SMALL_MM = CodePrint.SMALLEST_MODULE_MM * 0.75;

    private static final Pattern OURS = Pattern.compile("(https?://[^/]+)(/(?:c|l)/)([A-Za-z0-9_-]+)(?:[/?].*)?");

    private final LinkService links;
    private final Lessons lessons;
    private final DataFolder folder;

    CodeTrial(LinkService links, Lessons lessons, DataFolder folder) {
        this.links = links;
        this.lessons = lessons;
        this.folder = folder;
    }

    /** What is the matter with a code. */
    enum Fault {
        /** Its address is none of ours. */
        ELSEWHERE,
        /** It is one of ours, but with another address than the school has now. */
        OTHER_ADDRESS,
        /** Nothing of that name is here. */
        UNKNOWN,
        WITHDRAWN,
        REMOVED,
        /** Nothing is heard there. */
        SILENT,
        TOO_SMALL,
        /** Something stands in its quiet zone, or another code. */
        TOUCHES
    }

    /**
     * A code that was found.
     *
     * @param page from 1
     * @param says what it opens: the lesson, and the line if it is one; empty when that isn't known
     * @param sound the address of what is heard first; null: nothing
     */
    record Tried(int page, String text, String lesson, String says, String sound, List<Fault> faults) {}

    List<Tried> of(InputStream content, String base) throws IOException, PaperRefusedException {
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            Path answered = place.resolve("answer.json");
            try (LimitedProcess process = new LimitedProcess(
                    ScanProcess.class,
                    HEAP_MB,
                    place,
                    List.of(file.toAbsolutePath().toString(), answered.toString()))) {
                process.limit(LONGEST_MS, () -> LONGEST_MS);
                if (!"done".equals(process.readLine())) {
                    process.failed("Codes could not be looked for");
                    throw new PaperRefusedException(PaperRefusedException.Reason.TOO_SLOW);
                }
            }
            Answer answer = Answer.read(answered);
            if (answer.refused() != null) {
                throw new PaperRefusedException(answer.refused());
            }
            return answer.codes().stream()
                    .map(code -> tried(code, answer.codes(), base))
                    .toList();
        } finally {
            Files.deleteIfExists(file);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    /**
     * What a running camera sees.
     *
     * @param luminance of each point, row by row: nothing that would have to be opened
     * @throws IllegalArgumentException if there aren't width × height of them, or more than a frame has
     */
    List<Tried> inFrame(byte[] luminance, int width, int height, String base) {
        if (width < 1
                || height < 1
                || width > LONGEST_FRAME_PX
                || height > LONGEST_FRAME_PX
                || luminance.length != width * height) {
            throw new IllegalArgumentException(width + " × " + height + " is not " + luminance.length);
        }
        BufferedImage frame = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        frame.getRaster().setDataElements(0, 0, width, height, luminance);
        List<FoundCode> codes = CodeReader.read(frame).stream()
                .map(found -> new FoundCode(1, found.text(), found.area(), 0, true))
                .toList();
        return codes.stream().map(code -> tried(code, codes, base)).toList();
    }

    private Tried tried(FoundCode code, List<FoundCode> all, String base) {
        List<Fault> faults = new ArrayList<>();
        if (code.moduleMm() > 0 && code.moduleMm() < TOO_SMALL_MM) {
            faults.add(Fault.TOO_SMALL);
        }
        boolean touches = !code.quietZone()
                || all.stream()
                        .anyMatch(other -> other != code
                                && other.page() == code.page()
                                && other.area().touches(code.area()));
        if (touches) {
            faults.add(Fault.TOUCHES);
        }
        Matcher ours = OURS.matcher(code.text().strip());
        // Capitals throughout: as we print them.
        boolean capitals = code.text().equals(code.text().toUpperCase(Locale.ROOT));
        if (!ours.matches()) {
            Matcher lower = OURS.matcher(code.text().strip().toLowerCase(Locale.ROOT));
            if (!capitals || !lower.matches()) {
                faults.add(Fault.ELSEWHERE);
                return new Tried(code.page(), code.text(), "", "", null, faults);
            }
            return led(code, lower.group(1), lower.group(3).toUpperCase(Locale.ROOT), base, faults);
        }
        return led(code, ours.group(1), ours.group(3), base, faults);
    }

    private Tried led(FoundCode code, String school, String token, String base, List<Fault> faults) {
        boolean elsewhere = !school.equalsIgnoreCase(base);
        Optional<Target> target = links.follow(token);
        if (target.isEmpty()) {
            faults.add(elsewhere ? Fault.ELSEWHERE : Fault.UNKNOWN);
            return new Tried(code.page(), code.text(), "", "", null, faults);
        }
        if (elsewhere) {
            faults.add(Fault.OTHER_ADDRESS);
        }
        if (target.get().removed()) {
            faults.add(Fault.REMOVED);
        } else if (target.get().withdrawn()) {
            faults.add(Fault.WITHDRAWN);
        }
        Link link = target.get().link();
        Optional<LessonRef> lesson = lessons.ofHouse(link.lessonId());
        List<ScriptLine> lines = lesson.map(lessons::script).orElse(List.of()).stream()
                .filter(line -> link.pageId() == null || line.pageId().equals(link.pageId()))
                .filter(line -> link.lineId() == null || line.line().id().equals(link.lineId()))
                .toList();
        Optional<ScriptLine> heard =
                lines.stream().filter(line -> line.soundHash() != null).findFirst();
        boolean open = !target.get().removed() && !target.get().withdrawn();
        if (heard.isEmpty()) {
            faults.add(Fault.SILENT);
        }
        return new Tried(
                code.page(),
                code.text(),
                open ? lesson.map(there -> there.summary().title()).orElse("") : "",
                // Whoever finds an old code is not told what it once said.
                heard.or(() -> lines.stream().findFirst())
                        .filter(line -> open)
                        .map(line -> line.line().words())
                        .orElse(""),
                open
                        ? heard.map(line -> link.path() + "/sound/" + line.soundHash() + ".mp3")
                                .orElse(null)
                        : null,
                faults);
    }
}
