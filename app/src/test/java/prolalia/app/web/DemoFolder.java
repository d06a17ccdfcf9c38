package prolalia.app.web;

import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.springframework.util.FileSystemUtils;

/** The demo's data, made once for a run of the tests, and copied for every server that starts with it. */
public final class DemoFolder {
    private static final Path PLACE = Path.of("target", "demo-data");
    private static final String MARK = System.getProperty("build.mark", "run by hand at " + System.nanoTime());

    private DemoFolder() {}

    /** Makes a data folder with the demo's data in it. @param data not there as yet */
    public static Path copyTo(Path data) throws Exception {
        Path mark = PLACE.resolve("mark");
        Files.createDirectories(PLACE);
        try (FileChannel file =
                        FileChannel.open(PLACE.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = file.lock()) {
            if (lock.isValid() && !(Files.exists(mark) && Files.readString(mark).equals(MARK))) {
                ClassArchive.begin();
                make(PLACE.resolve("school"));
                Files.writeString(mark, MARK);
            }
        }
        FileSystemUtils.copyRecursively(PLACE.resolve("school"), data);
        return data;
    }

    private static void make(Path school) throws Exception {
        FileSystemUtils.deleteRecursively(school);
        try (OwnServer server = new OwnServer(school, 512, true, "--prolalia.demo=true")) {
            server.start();
            // A lesson that is looked at has all its sounds.
            Visitor ines = Visitor.ines(server.base());
            for (String lesson : Visitor.all(ines.page("/?all=true"), "href=\"/lessons/([^\"/]+)\"")) {
                ines.page("/lessons/" + lesson + "/student");
            }
            server.stop();
        }
    }
}
