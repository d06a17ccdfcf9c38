package prolalia.formats.archive;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes the sound of a lesson as a ZIP (PKWARE APPNOTE 6.3, names in UTF-8): a folder with a file for each line. */
public final class SoundArchive {
    private SoundArchive() {}

    /**
     * A file in it.
     *
     * @param name with its ending, without a folder
     */
    public record Sound(String name, Path file) {}

    /**
     * @param folder that holds all of it
     * @param script the words in reading order, as a text beside the sound
     * @param out not closed
     */
    public static void write(String folder, String script, List<Sound> sounds, OutputStream out) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        zip.setLevel(Deflater.DEFAULT_COMPRESSION);
        zip.putNextEntry(new ZipEntry(folder + "/script.txt"));
        zip.write(script.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
        // Sound is as small as it gets.
        zip.setLevel(Deflater.NO_COMPRESSION);
        Set<String> names = new HashSet<>();
        for (Sound sound : sounds) {
            zip.putNextEntry(new ZipEntry(folder + "/" + unlike(names, sound.name())));
            Files.copy(sound.file(), zip);
            zip.closeEntry();
        }
        zip.finish();
    }

    /** Names that differ only in case are one on many file systems. */
    private static String unlike(Set<String> names, String wanted) {
        int dot = wanted.lastIndexOf('.');
        String name = wanted;
        for (int i = 2; !names.add(name.toLowerCase(Locale.ROOT)); i++) {
            name = wanted.substring(0, dot) + " (" + i + ")" + wanted.substring(dot);
        }
        return name;
    }
}
