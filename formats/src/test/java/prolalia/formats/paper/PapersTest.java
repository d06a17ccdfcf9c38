package prolalia.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;

/** What is found on papers that are set in ten ways. */
class PapersTest {
    @TempDir
    private Path folder;

    @Test
    void questionsAndChoicesOfPapersSetInTenWaysAreFoundInOrder() throws Exception {
        for (MadePapers.Style style : MadePapers.STYLES) {
            MadePapers.Made made = MadePapers.make(style, folder);
            List<FoundLine> found = lines(made.file());
            assertThat(of(found, FoundKind.QUESTION)).as(style.name()).containsExactlyElementsOf(made.questions());
            assertThat(of(found, FoundKind.CHOICE)).as(style.name()).containsExactlyElementsOf(made.choices());
            assertThat(found.stream().map(FoundLine::text))
                    .as(style.name())
                    .noneMatch(text -> text.startsWith("Page ") || text.equals("Tern Lane School"));
            assertThat(found.get(0).kind()).as(style.name()).isEqualTo(FoundKind.HEADING);
        }
    }

    private static List<FoundLine> lines(Path file) throws Exception {
        try (Paper paper = Papers.open(file)) {
            List<FoundLine> lines = new ArrayList<>();
            paper.lines().stream().map(FoundPage::lines).forEach(lines::addAll);
            return lines;
        }
    }

    private static List<String> of(List<FoundLine> lines, FoundKind kind) {
        return lines.stream()
                .filter(line -> line.kind() == kind)
                .map(FoundLine::text)
                .toList();
    }
}
