package prolalia.app.storage;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;
import prolalia.app.platform.MediaStore;

/**
 * Says what lies in a data folder and whether it is whole: {@code Doctor FOLDER [--deep] [--free]}. It may be asked while the
 * server runs. It deletes nothing unless {@code --free} says so, and then only files that nothing uses.
 */
public final class Doctor {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("messages", Locale.ENGLISH);
    private static final int SHOWN = 10;
    private static final int FAULTY = 1;
    private static final int USAGE = 2;

    private final Path root;
    private final StorageStore store;
    private boolean whole = true;

    private Doctor(Path root) {
        this.root = root;
        store = StorageStore.lookingAt(root.resolve("prolalia.db"));
    }

    public static void main(String[] arguments) throws IOException {
        System.setProperty("org.jooq.no-logo", "true");
        System.setProperty("org.jooq.no-tips", "true");
        ((Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME)).setLevel(Level.WARN);
        List<String> words = List.of(arguments);
        Path root = Path.of(words.get(0)).toAbsolutePath();
        if (!Files.isRegularFile(root.resolve("prolalia.db"))) {
            System.err.println(say("doctor.noData", root));
            System.exit(USAGE);
        }
        Doctor doctor = new Doctor(root);
        doctor.look(words.contains("--deep"), words.contains("--free"));
        System.exit(doctor.whole ? 0 : FAULTY);
    }

    private static String say(String key, Object... values) {
        return MessageFormat.format(WORDS.getString(key), values);
    }

    private void look(boolean deep, boolean free) throws IOException {
        System.out.println(say("doctor.title", root));
        List<String> faults = store.faults();
        tell(faults.isEmpty() ? say("doctor.databaseWhole") : say("doctor.databaseFaults", faults.size()), faults);
        long now = System.currentTimeMillis();
        Set<String> used = store.used();
        TreeMap<String, Path> files = new TreeMap<>();
        for (Path file : filesOf(root.resolve("media"))) {
            files.put(file.getFileName().toString(), file);
        }
        List<String> missing =
                used.stream().filter(name -> !files.containsKey(name)).toList();
        tell(
                missing.isEmpty() ? say("doctor.noneMissing", used.size()) : say("doctor.missing", missing.size()),
                missing);
        if (deep) {
            List<String> changed = new ArrayList<>();
            for (var file : files.entrySet()) {
                if (!MediaStore.hashOf(file.getValue()).equals(file.getKey())) {
                    changed.add(file.getKey());
                }
            }
            tell(
                    changed.isEmpty() ? say("doctor.noneChanged", files.size()) : say("doctor.changed", changed.size()),
                    changed);
        }
        orphans(files, used, now, free);
        sizes();
        System.out.println(say("doctor.recordings", String.join(", ", store.recordingsByState())));
        System.out.println(say("doctor.removed", store.removed(), StorageSweeper.BIN.toDays()));
        System.out.println(say("doctor.space", mb(Files.getFileStore(root).getUsableSpace())));
    }

    private void tell(String text, List<String> faults) {
        System.out.println(text);
        faults.stream().limit(SHOWN).forEach(fault -> System.out.println("    " + fault));
        if (faults.size() > SHOWN) {
            System.out.println(say("doctor.more", faults.size() - SHOWN));
        }
        whole &= faults.isEmpty();
    }

    private void orphans(TreeMap<String, Path> files, Set<String> used, long now, boolean free) throws IOException {
        Set<String> orphans = new HashSet<>(files.keySet());
        orphans.removeAll(used);
        long bytes = 0;
        int gone = 0;
        for (String name : orphans) {
            Path file = files.get(name);
            bytes += Files.size(file);
            boolean old = Files.getLastModifiedTime(file).toMillis() < now - StorageSweeper.UNUSED.toMillis();
            if (free && old) {
                Files.delete(file);
                gone++;
            }
        }
        System.out.println(say("doctor.orphans", orphans.size(), mb(bytes), StorageSweeper.UNUSED.toDays()));
        if (free) {
            System.out.println(say("doctor.freed", gone));
        }
        Set<String> recordings = store.recordings();
        try (Stream<Path> incoming = listed(root.resolve("incoming"))) {
            long strays = incoming.filter(
                            each -> !recordings.contains(each.getFileName().toString()))
                    .count();
            System.out.println(say("doctor.strayChunks", strays));
        }
    }

    private void sizes() throws IOException {
        for (String part : List.of("prolalia.db", "prolalia.db-wal", "media", "incoming", "outlines", "temporary")) {
            List<Path> files = filesOf(root.resolve(part));
            long bytes = 0;
            for (Path file : files) {
                bytes += Files.size(file);
            }
            System.out.println(say("doctor.part", part, files.size(), mb(bytes)));
        }
    }

    private static List<Path> filesOf(Path place) throws IOException {
        if (!Files.exists(place)) {
            return List.of();
        }
        try (Stream<Path> all = Files.walk(place)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    private static Stream<Path> listed(Path place) throws IOException {
        return Files.isDirectory(place) ? Files.list(place) : Stream.empty();
    }

    private static String mb(long bytes) {
        return String.format(Locale.ROOT, "%.1f MB", bytes / 1048576.0);
    }
}
