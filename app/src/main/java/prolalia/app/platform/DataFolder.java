package prolalia.app.platform;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** The folder that holds everything that is kept, for its owner alone, and how a file comes to be in it for good. */
@Component
public class DataFolder implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(DataFolder.class);

    /** What nobody finished in a day nobody will finish. */
    private static final Duration TEMPORARY_KEPT = Duration.ofDays(1);

    /** Left free: the database must always be able to write what people do. */
    private static final long RESERVE_BYTES = 96L << 20;

    /** From this share on it is said that the disk is getting full. */
    private static final double LITTLE_SHARE = 0.05;

    /** On a large disk this is enough, whatever its share. */
    private static final long PLENTY_BYTES = 20L << 30;

    private final Path root;
    private final FileChannel lock;

    DataFolder(HouseProperties properties) throws IOException {
        root = properties.data().toAbsolutePath().normalize();
        Files.createDirectories(root);
        forOwnerAlone(root);
        Files.createDirectories(temporary());
        lock = FileChannel.open(root.resolve("in-use"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        if (isOurs()) {
            sweep(Duration.ZERO);
        }
    }

    /** Whether no other server uses this folder; what is temporary then is what a killed one left. */
    private boolean isOurs() throws IOException {
        FileLock held;
        try {
            held = lock.tryLock();
        } catch (OverlappingFileLockException withinThisProgram) {
            return false;
        } catch (IOException noLocksHere) {
            return true;
        }
        if (held == null) {
            throw new DataFolderInUseException(root);
        }
        return true;
    }

    static void forOwnerAlone(Path path) {
        try {
            boolean folder = Files.isDirectory(path);
            Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(folder ? "rwx------" : "rw-------"));
        } catch (IOException | UnsupportedOperationException notOnThisSystem) {
            LOG.debug("The permissions of {} stay as they are", path);
        }
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
        return root.resolve("outlines");
    }

    /** Those that earlier versions made, too coarse to be of use. */
    public Path coarseWaves() {
        return root.resolve("waves");
    }

    /** Recordings whose chunks are still coming in, and chunks that came too late. */
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

    @Scheduled(fixedDelay = 3_600_000, initialDelay = 3_600_000)
    void sweep() throws IOException {
        sweep(TEMPORARY_KEPT);
    }

    private void sweep(Duration kept) throws IOException {
        long before = Clock.systemUTC().millis() - kept.toMillis();
        List<Path> all;
        try (Stream<Path> listed = Files.list(temporary())) {
            all = listed.toList();
        }
        for (Path each : all) {
            try {
                if (Files.getLastModifiedTime(each).toMillis() <= before) {
                    FileSystemUtils.deleteRecursively(each);
                }
            } catch (NoSuchFileException justMoved) {
                LOG.debug("{} is gone by itself", each);
            }
        }
    }

    /** Puts a finished file in its place: when this returns, a power cut can't take it away any more. */
    public void settle(Path temporary, Path place) throws IOException {
        try (FileChannel file = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
            file.force(true);
        }
        makeFolder(place.getParent());
        Files.move(temporary, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        forceFolder(place.getParent());
    }

    /** A folder is there for good when the one that names it is forced, too. */
    private static void makeFolder(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            makeFolder(folder.getParent());
            Files.createDirectories(folder);
            forceFolder(folder.getParent());
        }
    }

    private static void forceFolder(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException notOnThisSystem) {
            // Windows can't open a folder; there the move itself is written through.
        }
    }

    /**
     * Asks for room before something is taken in.
     *
     * @param bytes that will come; less than 0 when that isn't known
     * @throws FullDiskException when the disk would be full with it
     */
    public void needRoom(long bytes) {
        if (freeBytes() < RESERVE_BYTES + Math.max(0, bytes)) {
            throw new FullDiskException();
        }
    }

    public boolean isFull() {
        return freeBytes() < RESERVE_BYTES;
    }

    /** Whether it is time to say that the disk is getting full. */
    public boolean isNearlyFull() {
        long free = freeBytes();
        return free < Math.min(PLENTY_BYTES, Math.round(totalBytes() * LITTLE_SHARE));
    }

    public long freeBytes() {
        try {
            return Files.getFileStore(root).getUsableSpace();
        } catch (IOException unknown) {
            return Long.MAX_VALUE;
        }
    }

    private long totalBytes() {
        try {
            return Files.getFileStore(root).getTotalSpace();
        } catch (IOException unknown) {
            return 0;
        }
    }

    @Override
    public void destroy() throws IOException {
        lock.close();
    }
}
