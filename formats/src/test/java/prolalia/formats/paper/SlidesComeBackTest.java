package prolalia.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.intake.FoundSound;
import prolalia.core.intake.Proposal;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.formats.lesson.MadeLesson;
import prolalia.formats.slides.LessonSlides;

/** Slides that we wrote come back with each sound on its line, also where the words stand on no slide. */
class SlidesComeBackTest {
    @TempDir
    Path folder;

    @Test
    void eachSoundIsOnItsLineAgain() throws Exception {
        MadeLesson made = new MadeLesson(folder);
        Path deck = folder.resolve("deck.pptx");
        MadeSlidesForOthers.write(deck);
        made.madeOf("two", deck, 2);
        Path out = folder.resolve("out.pptx");
        try (OutputStream to = Files.newOutputStream(out)) {
            LessonSlides.write(made.lesson, made, to);
        }
        List<String> heard = made.lesson.pages().stream()
                .flatMap(page -> page.lines().stream())
                .filter(PublishedLine::isHeard)
                .map(PublishedLine::words)
                .filter(words -> !words.contains("For the teacher") && !words.contains("Yes, it is awake"))
                .toList();
        List<String> back = new ArrayList<>();
        try (Paper paper = Papers.open(out)) {
            List<List<FoundSound>> sounds = new ArrayList<>();
            for (int page = 0; page < paper.pages(); page++) {
                sounds.add(paper.parts(page).sounds().stream()
                        .map(sound -> new FoundSound(sound.area(), sound.line()))
                        .toList());
            }
            for (int page = 0; page < paper.pages(); page++) {
                Proposal proposal = Proposal.of(paper.lines().get(page).lines(), sounds.get(page));
                assertThat(proposal.sounds()).doesNotContainNull().doesNotHaveDuplicates();
                for (int i = 0; i < sounds.get(page).size(); i++) {
                    String id = proposal.sounds().get(i);
                    ProposedLine line = proposal.lines().stream()
                            .filter(each -> each.id().equals(id))
                            .findFirst()
                            .orElseThrow();
                    assertThat(SpokenWords.areTheSame(
                                    line.text(), sounds.get(page).get(i).line().words()))
                            .as(line.text())
                            .isTrue();
                    assertThat(line.wanted()).isTrue();
                    back.add(line.text());
                }
            }
            assertThat(back).hasSameSizeAs(heard);
            // Its marks come back as spots, and aren't on the picture as well.
            BufferedImage picture = paper.picture(0, 640);
            int mark = (int) Math.round(0.1 * 640 + 0.05 * 640);
            assertThat(picture.getRGB(mark, (int) (0.15 * picture.getHeight())) & 0xffffff)
                    .as("the picture of the page is black there")
                    .isZero();
        }
    }

    @Test
    void aHiddenSlideIsSaidToBeOne() throws Exception {
        Path file = folder.resolve("hidden.pptx");
        try (XMLSlideShow show = new XMLSlideShow();
                OutputStream to = Files.newOutputStream(file)) {
            show.createSlide();
            show.createSlide().setHidden(true);
            show.write(to);
        }
        try (Paper paper = Papers.open(file)) {
            assertThat(paper.isHidden(0)).isFalse();
            assertThat(paper.isHidden(1)).isTrue();
        }
    }
}
