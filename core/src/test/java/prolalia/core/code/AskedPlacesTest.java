package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.code.AskedPlaces.Asked;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;
import prolalia.core.place.WordPlaces.PlacedWord;

class AskedPlacesTest {
    @Test
    void aQuestionReachesOverItsChoicesAndBlanksAndNoFurther() {
        WordPlaces words = WordPlaces.of(List.of(
                new PlacedWord("Where", new Area(0.1, 0.2, 0.1, 0.02)),
                new PlacedWord("is", new Area(0.22, 0.2, 0.05, 0.02)),
                new PlacedWord("it?", new Area(0.1, 0.23, 0.05, 0.02))));
        List<Asked> asked = AskedPlaces.of(new FoundPage(List.of(
                new FoundLine(FoundKind.CHOICE, "stray", new Area(0.1, 0.05, 0.1, 0.02)),
                new FoundLine(FoundKind.QUESTION, "Where is it?", new Area(0.1, 0.2, 0.3, 0.05), words),
                new FoundLine(FoundKind.CHOICE, "here", new Area(0.12, 0.27, 0.1, 0.02)),
                new FoundLine(FoundKind.BLANK, "____", new Area(0.12, 0.31, 0.4, 0.02)),
                new FoundLine(FoundKind.NOTE, "Go on.", new Area(0.1, 0.4, 0.2, 0.02)),
                new FoundLine(FoundKind.BLANK, "Name ____", new Area(0.1, 0.5, 0.2, 0.02)),
                new FoundLine(FoundKind.QUESTION, "Why?", new Area(0.1, 0.6, 0.2, 0.02)))));
        assertThat(asked).extracting(Asked::text).containsExactly("Where is it?", "Why?");
        assertThat(asked.get(0).wanted().first().right()).as("its first row").isCloseTo(0.27, offset(1e-9));
        assertThat(asked.get(0).wanted().first().bottom()).isCloseTo(0.22, offset(1e-9));
        assertThat(asked.get(0).wanted().whole().bottom()).isCloseTo(0.33, offset(1e-9));
        assertThat(asked.get(0).wanted().whole().right()).isCloseTo(0.52, offset(1e-9));
        assertThat(asked.get(1).wanted().first()).isEqualTo(new Area(0.1, 0.6, 0.2, 0.02));
    }
}
