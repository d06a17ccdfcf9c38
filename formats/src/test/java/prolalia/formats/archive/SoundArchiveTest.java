package prolalia.formats.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.formats.archive.SoundArchive.Sound;

class SoundArchiveTest {
    @TempDir
    Path folder;

    private static Map<String, String> read(byte[] zip) throws Exception {
        Map<String, String> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip), StandardCharsets.UTF_8)) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return files;
    }

    @Test
    void everyLineIsAFileUnderItsNameAndNoNameCoversAnother() throws Exception {
        Path root = Files.writeString(folder.resolve("1"), "root");
        Path again = Files.writeString(folder.resolve("2"), "again");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SoundArchive.write(
                "Bohnen",
                "p1-01  Die Wurzel\n",
                List.of(
                        new Sound("p1-01 Die Wurzel.mp3", root),
                        new Sound("p1-01 die wurzel.mp3", again),
                        new Sound("p1-02 种子.mp3", root)),
                out);
        assertThat(read(out.toByteArray()))
                .containsExactly(
                        Map.entry("Bohnen/script.txt", "p1-01  Die Wurzel\n"),
                        Map.entry("Bohnen/p1-01 Die Wurzel.mp3", "root"),
                        Map.entry("Bohnen/p1-01 die wurzel (2).mp3", "again"),
                        Map.entry("Bohnen/p1-02 种子.mp3", "root"));
    }

    @Test
    void aLessonWithoutSoundStillHasItsWords() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SoundArchive.write("-", "", List.of(), out);
        assertThat(read(out.toByteArray())).containsOnlyKeys("-/script.txt");
    }
}
