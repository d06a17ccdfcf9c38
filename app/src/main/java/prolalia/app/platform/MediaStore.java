package prolalia.app.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Sound and pictures, each a file named by the SHA-256 of what is in it: stored once, never changed. */
@Component
public class MediaStore {
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");
    private static final int FOLDER_LETTERS = 2;

    /** Within this time whoever kept something has written down what for. */
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(3);

    private final DataFolder folder;

    /** How often something was kept just now. */
    private final Cache<String, Integer> kept =
            Caffeine.newBuilder().expireAfterWrite(ON_ITS_WAY).build();

    MediaStore(DataFolder folder) {
        this.folder = folder;
    }

    /** Moves a finished temporary file into the store and answers its name; it is on the disk when this returns. */
    public String keep(Path temporary) throws IOException {
        String hash = hashOf(temporary);
        Path place = place(hash);
        synchronized (kept) {
            kept.asMap().merge(hash, 1, Integer::sum);
        }
        if (Files.exists(place)) {
            // Somebody wants it again: it isn't left over, whatever it was before.
            Files.setLastModifiedTime(place, FileTime.from(Instant.now()));
            Files.delete(temporary);
        } else {
            folder.settle(temporary, place);
        }
        return hash;
    }

    public String keep(InputStream content) throws IOException {
        Path temporary = folder.newTemporaryFile();
        try {
            Files.copy(content, temporary, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            return keep(temporary);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /** The file of a name, which must be one that {@code keep} gave. */
    public Path file(String hash) {
        if (!HASH.matcher(hash).matches()) {
            throw new IllegalArgumentException("Not a name of the media store");
        }
        return place(hash);
    }

    /**
     * Takes away what nobody uses any more, unless the same came in again.
     *
     * @param since from when on nobody used it
     * @return false where that isn't known as yet: it came in several times lately
     */
    public boolean deleteUnlessWanted(String hash, Instant since) throws IOException {
        synchronized (kept) {
            Integer times = kept.getIfPresent(hash);
            if (times != null && times > 1) {
                return false;
            }
            Path file = file(hash);
            if (Files.exists(file)
                    && !Files.getLastModifiedTime(file).toInstant().isAfter(since)) {
                Files.delete(file);
                kept.invalidate(hash);
            }
            return true;
        }
    }

    /** The names of files that were last kept before a time, whether anybody uses them or not. */
    public List<String> keptBefore(Instant time) throws IOException {
        if (!Files.isDirectory(folder.media())) {
            return List.of();
        }
        List<String> names = new ArrayList<>();
        try (Stream<Path> all = Files.walk(folder.media())) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                String name = file.getFileName().toString();
                if (HASH.matcher(name).matches()
                        && Files.getLastModifiedTime(file).toInstant().isBefore(time)) {
                    names.add(name);
                }
            }
        }
        return names;
    }

    private Path place(String hash) {
        return folder.media().resolve(hash.substring(0, FOLDER_LETTERS)).resolve(hash);
    }

    /** The name that a file would have here. */
    public static String hashOf(Path file) throws IOException {
        try (DigestInputStream in =
                new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(in.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("Every Java has SHA-256", impossible);
        }
    }
}
