package prolalia.app.house;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.springframework.stereotype.Component;

/** The folder that holds everything that is kept, and how a file comes to be in it for good. */
@Component
public class DataFolder {
    private final Path root;

    DataFolder(HouseProperties properties) throws IOException {
        root = properties.data().toAbsolutePath().normalize();
        Files.createDirectories(root);
        Files.createDirectories(temporary());
    }

    public Path root() {
        return root;
    }

    public Path database() {
        return root.resolve("prolalia.db");
    }

    /** Files by content hash. */
    public Path media() {
        return root.resolve("media");
    }

    /** Outlines of recordings: may be deleted, since they are made again when they are missed. */
    public Path waves() {
        return root.resolve("waves");
    }

    /** Recordings whose chunks are still coming in. */
    public Path incoming() {
        return root.resolve("incoming");
    }

    private Path temporary() {
        return root.resolve("temporary");
    }

    /** A new empty file, on the same disk as everything else, so that it can be moved into its place at once. */
    public Path newTemporaryFile() throws IOException {
        return Files.createTempFile(temporary(), "new", null);
    }

    /** A new empty folder, likewise. */
    public Path newTemporaryFolder() throws IOException {
        return Files.createTempDirectory(temporary(), "new");
    }

    /** Puts a finished file in its place: when this returns, a power cut can't take it away any more. */
    public void settle(Path temporary, Path place) throws IOException {
        try (FileChannel file = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
            file.force(true);
        }
        Files.createDirectories(place.getParent());
        Files.move(temporary, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        forceFolder(place.getParent());
    }

    private static void forceFolder(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException notOnThisSystem) {
            // Windows can't open a folder; there the move itself is written through.
        }
    }
}
