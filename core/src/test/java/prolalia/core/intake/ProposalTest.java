package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.place.Area;

class ProposalTest {
    private final Proposal proposal = Proposal.of(List.of(
            new FoundLine(FoundKind.QUESTION, "1. Where is the quay?", new Area(0.1, 0.1, 0.5, 0.03)),
            new FoundLine(FoundKind.CHOICE, "A. here", new Area(0.1, 0.2, 0.2, 0.03)),
            new FoundLine(FoundKind.BLANK, "Name: ____", new Area(0.1, 0.3, 0.5, 0.03)),
            new FoundLine(FoundKind.NOTE, "Speak slowly.", new Area(0, 1, 0, 0))));

    private static List<String> texts(Proposal proposal) {
        return proposal.lines().stream().map(ProposedLine::text).toList();
    }

    @Test
    void numbersAndLettersAreNotSaidAndBlanksAreNotWanted() {
        assertThat(texts(proposal)).containsExactly("Where is the quay?", "here", "Name: ____", "Speak slowly.");
        assertThat(proposal.wanted())
                .extracting(ProposedLine::text)
                .containsExactly("Where is the quay?", "here", "Speak slowly.");
    }

    @Test
    void twoLinesAreJoinedWhereBothStandAndCutAgain() {
        Proposal joined = proposal.join("f1").orElseThrow();
        assertThat(texts(joined)).startsWith("Where is the quay? here");
        Area both = joined.lines().get(0).area();
        assertThat(both.bottom()).isCloseTo(0.23, org.assertj.core.data.Offset.offset(1e-9));
        Proposal cut = joined.split("f1", 19, 0.7, "new").orElseThrow();
        assertThat(texts(cut)).startsWith("Where is the quay?", "here");
        assertThat(cut.lines().get(1).id()).isEqualTo("new");
        assertThat(cut.lines().get(0).area().with(cut.lines().get(1).area())).isEqualTo(both);
        assertThat(proposal.join("f4")).as("nothing comes after the last").isEmpty();
        assertThat(proposal.split("f2", 0, 0.7, "new")).isEmpty();
        assertThat(proposal.split("f2", 400, 0.7, "new")).isEmpty();
    }

    @Test
    void aNoteHasNoPlaceAndTakesThatOfItsNeighbour() {
        Proposal joined = proposal.join("f3").orElseThrow();
        assertThat(joined.lines().get(2).area()).isEqualTo(new Area(0.1, 0.3, 0.5, 0.03));
    }

    @Test
    void aDrawnLineComesWhereItIsRead() {
        Proposal drawn = proposal.draw("new", new Area(0.1, 0.15, 0.3, 0.03)).orElseThrow();
        assertThat(drawn.lines()).extracting(ProposedLine::id).containsExactly("f1", "new", "f2", "f3", "f4");
        assertThat(drawn.wanted()).as("nothing to say yet").hasSize(3);
        assertThat(drawn.text("new", "  Look at\nthe map ").orElseThrow().wanted())
                .extracting(ProposedLine::text)
                .contains("Look at the map");
        assertThat(proposal.draw("new", new Area(0.1, 0.15, 0.001, 0.001))).isEmpty();
    }

    @Test
    void kindsWordsPlacesAndOrderChangeAndUnknownLinesDoNot() {
        assertThat(proposal.kind("f3", FoundKind.DIRECTION).orElseThrow().wanted())
                .hasSize(4);
        assertThat(proposal.want("f1", false).orElseThrow().wanted()).hasSize(2);
        assertThat(proposal.place("f1", new Area(0.9, 0.9, 0.5, 0.03))
                        .orElseThrow()
                        .lines()
                        .get(0)
                        .area())
                .isEqualTo(new Area(0.5, 0.9, 0.5, 0.03));
        assertThat(texts(proposal.move("f2", -1).orElseThrow())).startsWith("here", "Where is the quay?");
        assertThat(proposal.move("f1", -1)).isEmpty();
        assertThat(proposal.text("f1", "x".repeat(Proposal.LONGEST_TEXT + 1))).isEmpty();
        assertThat(proposal.want("f9", true)).isEmpty();
    }
}
