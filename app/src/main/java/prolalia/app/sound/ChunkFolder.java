package prolalia.app.sound;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import prolalia.app.house.DataFolder;

/** The numbered chunks of recordings that are still coming in. Storing the same chunk twice changes nothing. */
@Component
class ChunkFolder {
    private final DataFolder folder;

    ChunkFolder(DataFolder folder) {
        this.folder = folder;
    }

    /** Stores a chunk; it is on the disk when this returns. */
    void put(String recordingId, int number, InputStream content) throws IOException {
        Path place = chunk(recordingId, number);
        if (Files.exists(place)) {
            return;
        }
        Path temporary = folder.newTemporaryFile();
        try {
            Files.copy(content, temporary, StandardCopyOption.REPLACE_EXISTING);
            folder.settle(temporary, place);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /** How many chunks there are from the first one on without a gap. */
    int countWithoutGap(String recordingId) {
        int count = 0;
        while (Files.exists(chunk(recordingId, count))) {
            count++;
        }
        return count;
    }

    /** The numbers below {@code count} that haven't come in. */
    List<Integer> missing(String recordingId, int count) {
        List<Integer> missing = new ArrayList<>();
        for (int number = 0; number < count; number++) {
            if (!Files.exists(chunk(recordingId, number))) {
                missing.add(number);
            }
        }
        return missing;
    }

    /** Writes the first {@code count} chunks one after another into a new temporary file. */
    Path assembled(String recordingId, int count) throws IOException {
        Path whole = folder.newTemporaryFile();
        try (OutputStream out = Files.newOutputStream(whole)) {
            for (int number = 0; number < count; number++) {
                Files.copy(chunk(recordingId, number), out);
            }
        }
        return whole;
    }

    /** How much has come in, in bytes. */
    long size(String recordingId) throws IOException {
        long size = 0;
        try (Stream<Path> chunks = Files.list(folderOf(recordingId))) {
            for (Path chunk : chunks.toList()) {
                size += Files.size(chunk);
            }
        } catch (NoSuchFileException nothingYet) {
            return 0;
        }
        return size;
    }

    void delete(String recordingId) throws IOException {
        FileSystemUtils.deleteRecursively(folderOf(recordingId));
    }

    private Path folderOf(String recordingId) {
        return folder.incoming().resolve(recordingId);
    }

    private Path chunk(String recordingId, int number) {
        return folderOf(recordingId).resolve(String.format("%06d", number));
    }
}
