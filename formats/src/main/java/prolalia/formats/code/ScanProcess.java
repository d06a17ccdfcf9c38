package prolalia.formats.code;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.formats.code.CodeReader.Found;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import prolalia.formats.paper.PictureInk;
import prolalia.formats.process.Parent;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that finds the codes on a file that somebody sent: {@code ScanProcess FILE ANSWER}. It says {@code done} on
 * its standard output when ANSWER is written, and ends when its standard input does.
 */
public final class ScanProcess {
    private static final JsonMapper JSON = new JsonMapper();
    private static final double MM_PER_POINT = 25.4 / 72;

    private ScanProcess() {}

    /**
     * A code on a page.
     *
     * @param page from 1
     * @param moduleMm how wide a module is printed; 0 where that can't be known, on a photo
     * @param quietZone whether what is around it is free
     */
    public record FoundCode(int page, String text, Area area, double moduleMm, boolean quietZone) {}

    /** @param refused why the file can't be read; null: it was */
    public record Answer(PaperRefusedException.Reason refused, List<FoundCode> codes) {
        public static Answer read(Path file) throws IOException {
            return JSON.readValue(Files.readAllBytes(file), Answer.class);
        }
    }

    public static void main(String[] arguments) throws IOException {
        Parent parent = Parent.meet();
        Answer answer;
        try {
            answer = new Answer(null, scan(Path.of(arguments[0])));
        } catch (PaperRefusedException refused) {
            answer = new Answer(refused.reason(), List.of());
        }
        Files.write(Path.of(arguments[1]), JSON.writeValueAsBytes(answer));
        parent.say("done");
        System.exit(0);
    }

    private static List<FoundCode> scan(Path file) throws IOException, PaperRefusedException {
        List<FoundCode> codes = new ArrayList<>();
        try (Paper paper = Papers.open(file)) {
            boolean printed = isPdf(file);
            for (int page = 0; page < paper.pages(); page++) {
                List<Found> found = CodeReader.read(paper, page);
                if (found.isEmpty()) {
                    continue;
                }
                double pageMm = printed ? paper.size(page).width() * MM_PER_POINT : 0;
                BufferedImage picture = paper.picture(page, 1_600);
                InkMap ink = PictureInk.fine(picture);
                for (Found each : found) {
                    codes.add(new FoundCode(
                            page + 1,
                            each.text(),
                            each.area(),
                            pageMm * each.moduleShare(),
                            !printed || isFreeAround(ink, each)));
                }
            }
        }
        return codes;
    }

    private static boolean isPdf(Path file) throws IOException {
        try (var content = Files.newInputStream(file)) {
            return new String(content.readNBytes(1024), java.nio.charset.StandardCharsets.ISO_8859_1).contains("%PDF-");
        }
    }

    /** In a ring from one to three modules around it; where exactly a code ends is known to a module. */
    private static boolean isFreeAround(InkMap ink, Found code) {
        Area area = code.area();
        double x = code.moduleShare();
        double y = x * area.h() / Math.max(1e-9, area.w());
        double near = 1.2;
        double far = 3;
        return ink.isFree(Area.between(
                        area.x() - far * x, area.y() - far * y, area.right() + far * x, area.y() - near * y))
                && ink.isFree(Area.between(
                        area.x() - far * x, area.bottom() + near * y, area.right() + far * x, area.bottom() + far * y))
                && ink.isFree(Area.between(
                        area.x() - far * x, area.y() - near * y, area.x() - near * x, area.bottom() + near * y))
                && ink.isFree(Area.between(
                        area.right() + near * x,
                        area.y() - near * y,
                        area.right() + far * x,
                        area.bottom() + near * y));
    }
}
