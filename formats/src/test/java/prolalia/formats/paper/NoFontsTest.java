package prolalia.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Font;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class NoFontsTest {
    @Test
    void javaIsShownTheFontsThatComeAlongWhereAMachineHasNone(@TempDir Path folder) throws Exception {
        Path some = Files.createDirectories(folder.resolve("truetype/dejavu")).resolve("DejaVuSans.TTF");
        Files.createFile(some);
        String before = System.clearProperty(NoFonts.FONT_PATH);
        try {
            NoFonts.standIn(List.of(folder.resolve("not here"), folder));
            assertThat(System.getProperty(NoFonts.FONT_PATH)).isNull();
            Files.delete(some);
            NoFonts.standIn(List.of(folder.resolve("not here"), folder));
            File[] shown = new File(System.getProperty(NoFonts.FONT_PATH)).listFiles();
            assertThat(shown).hasSize(4);
            assertThat(Font.createFont(Font.TRUETYPE_FONT, shown[0]).getFamily())
                    .isEqualTo("Liberation Sans");
        } finally {
            System.clearProperty(NoFonts.FONT_PATH);
            if (before != null) {
                System.setProperty(NoFonts.FONT_PATH, before);
            }
        }
    }
}
