package prolalia.app.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.EmptyBodyException;

/**
 * The numbered chunks of recordings that are still coming in, and those that came in too late to be in theirs. Storing the same
 * chunk twice changes nothing.
 */
@Component
class ChunkFolder {
    private final DataFolder folder;

    ChunkFolder(DataFolder folder) {
        this.folder = folder;
    }

    /** Stores a chunk; it is on the disk when this returns. Answers by how many bytes there is more. */
    long put(String recordingId, int number, InputStream content) throws IOException {
        Path place = chunk(recordingId, number);
        if (Files.exists(place)) {
            return 0;
        }
        Path temporary = folder.newTemporaryFile();
        try {
            long size = Files.copy(content, temporary, StandardCopyOption.REPLACE_EXISTING);
            if (size == 0) {
                // Something on the way swallowed it; a browser that has it sends it again.
                throw new EmptyBodyException();
            }
            folder.settle(temporary, place);
            return size;
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /**
     * How far there are chunks without a gap.
     *
     * @param from the first number that is looked for
     * @return the first number that is missing
     */
    int endWithoutGap(String recordingId, int from) {
        int number = from;
        while (Files.exists(chunk(recordingId, number))) {
            number++;
        }
        return number;
    }

    /** The numbers from {@code from} to before {@code end} that haven't come in. */
    List<Integer> missing(String recordingId, int from, int end) {
        List<Integer> missing = new ArrayList<>();
        for (int number = from; number < end; number++) {
            if (!Files.exists(chunk(recordingId, number))) {
                missing.add(number);
            }
        }
        return missing;
    }

    /**
     * Writes chunks one after another into a new temporary file.
     *
     * @param head what comes before them; null: nothing
     */
    Path assembled(String recordingId, Path head, int from, int end) throws IOException {
        Path whole = folder.newTemporaryFile();
        try (OutputStream out = Files.newOutputStream(whole, StandardOpenOption.TRUNCATE_EXISTING)) {
            if (head != null) {
                Files.copy(head, out);
            }
            for (int number = from; number < end; number++) {
                Files.copy(chunk(recordingId, number), out);
            }
            return whole;
        } catch (IOException | RuntimeException failure) {
            Files.deleteIfExists(whole);
            throw failure;
        }
    }

    /** The recordings of which there are chunks. */
    /** When the newest chunk of a recording came, in ms since 1970; 0: there is none. */
    long newestAt(String recordingId) throws IOException {
        long newest = 0;
        for (Path each : chunks(recordingId).values()) {
            newest = Math.max(newest, Files.getLastModifiedTime(each).toMillis());
        }
        return newest;
    }

    List<String> recordings() throws IOException {
        if (!Files.isDirectory(folder.incoming())) {
            return List.of();
        }
        try (Stream<Path> listed = Files.list(folder.incoming())) {
            return listed.map(each -> each.getFileName().toString()).toList();
        }
    }

    /** How much lies here of a recording, in bytes. */
    long size(String recordingId) {
        long size = 0;
        try {
            for (Path chunk : chunks(recordingId).values()) {
                size += Files.size(chunk);
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return size;
    }

    /** Removes the chunks that are in a recording by now; later ones stay. */
    void delete(String recordingId, int end) throws IOException {
        var inside = chunks(recordingId).headMap(end);
        for (Path chunk : inside.values()) {
            Files.deleteIfExists(chunk);
        }
        if (chunks(recordingId).isEmpty()) {
            FileSystemUtils.deleteRecursively(folderOf(recordingId));
        }
    }

    private TreeMap<Integer, Path> chunks(String recordingId) throws IOException {
        TreeMap<Integer, Path> chunks = new TreeMap<>();
        try (Stream<Path> listed = Files.list(folderOf(recordingId))) {
            for (Path chunk : listed.toList()) {
                chunks.put(Integer.parseInt(chunk.getFileName().toString()), chunk);
            }
        } catch (NoSuchFileException | NotDirectoryException nothingHere) {
            return chunks;
        }
        return chunks;
    }

    private Path folderOf(String recordingId) {
        return folder.incoming().resolve(recordingId);
    }

    private Path chunk(String recordingId, int number) {
        return folderOf(recordingId).resolve(String.format("%06d", number));
    }
}
