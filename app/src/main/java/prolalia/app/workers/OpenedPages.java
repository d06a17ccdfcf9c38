package prolalia.app.workers;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import prolalia.app.platform.MediaStore;
import prolalia.formats.paper.PaperPage;
import tools.jackson.databind.json.JsonMapper;

/** The pages that {@link PaperRun} wrote. */
@Component
public class OpenedPages {
    private final MediaStore media;
    private final JsonMapper json;

    OpenedPages(MediaStore media, JsonMapper json) {
        this.media = media;
        this.json = json;
    }

    /** The pages in a folder; their pictures and sounds are moved into the media store, and named as they are there. */
    public List<PaperPage> kept(Path folder) throws IOException {
        List<PaperPage> pages = new ArrayList<>();
        for (int number = 1; Files.exists(page(folder, number)); number++) {
            PaperPage page = json.readValue(Files.readString(page(folder, number)), PaperPage.class);
            List<PaperPage.Sound> sounds = new ArrayList<>();
            for (PaperPage.Sound sound : page.sounds()) {
                sounds.add(new PaperPage.Sound(sound.area(), sound.name(), kept(folder, sound.file()), sound.line()));
            }
            pages.add(new PaperPage(
                    number,
                    page.width(),
                    page.height(),
                    page.picture() == null ? null : kept(folder, page.picture()),
                    page.mediaType(),
                    page.lines(),
                    sounds,
                    page.jumps(),
                    page.links(),
                    page.hidden()));
        }
        return pages;
    }

    private static Path page(Path folder, int number) {
        return folder.resolve("page-" + number + ".json");
    }

    /** A file beside the page that names it, whatever the program that opened the paper was made to write. */
    private String kept(Path folder, String name) throws IOException {
        return media.keep(folder.resolve(Path.of(name).getFileName()));
    }
}
