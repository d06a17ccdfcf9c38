package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class LineFinderTest {
    private static List<String> found(SetPage... pages) {
        return LineFinder.find(List.of(pages).stream().map(SetPage::page).toList()).stream()
                .flatMap(page -> page.lines().stream())
                .map(line -> line.kind() + ": " + line.text())
                .toList();
    }

    @Test
    void aPaperIsReadInItsKinds() {
        assertThat(found(new SetPage()
                        .at(60, 80, 22, "At the harbour")
                        .at(60, 120, 12, "Name: __________")
                        .rows(
                                60,
                                150,
                                12,
                                15,
                                "The boats come in at noon. They bring fish, ropes and news from the other side of",
                                "the bay. Everybody waits for them on the quay.")
                        .bold(60, 200, 12, "Part one")
                        .at(60, 220, 12, "Circle the right answer.")
                        .at(60, 250, 12, "1. When do the boats come in?")
                        .at(80, 268, 12, "A. at noon")
                        .at(80, 284, 12, "B. at night")
                        .at(60, 310, 12, "2. The boats bring ______ and ropes.")
                        .at(60, 340, 12, "________________________")))
                .containsExactly(
                        "HEADING: At the harbour",
                        "BLANK: Name: __________",
                        "PASSAGE: The boats come in at noon. They bring fish, ropes and news from the other side of the"
                                + " bay. Everybody waits for them on the quay.",
                        "HEADING: Part one",
                        "DIRECTION: Circle the right answer.",
                        "QUESTION: 1. When do the boats come in?",
                        "CHOICE: A. at noon",
                        "CHOICE: B. at night",
                        "QUESTION: 2. The boats bring ______ and ropes.",
                        "BLANK: ________________________");
    }

    @Test
    void whatIsWrittenFromTheRightIsReadFromThere() {
        assertThat(found(new SetPage().at(60, 80, 12, "المدرسة 12 في بكم مرحبا").at(60, 120, 12, "Room 12 is here.")))
                .extracting(line -> line.replaceAll("^\\w+: ", ""))
                .containsExactly("مرحبا بكم في 12 المدرسة", "Room 12 is here.");
        assertThat(List.of(Writing.asWritten("ابحرم"), Writing.asWritten("12"), Writing.asWritten("bean")))
                .containsExactly("مرحبا", "12", "bean");
    }

    @Test
    void aSecondRowBelongsToItsQuestionHangingOrNot() {
        String first = "3. Why did Mina take the long way home from the harbour on the day when the";
        assertThat(found(new SetPage()
                        .at(60, 100, 12, first)
                        .at(75, 115, 12, "storm came?")
                        .at(60, 150, 12, first)
                        .at(60, 165, 12, "storm came?")
                        .at(60, 200, 12, "4. Who saw her?")))
                .containsExactly(
                        "QUESTION: " + first + " storm came?",
                        "QUESTION: " + first + " storm came?",
                        "QUESTION: 4. Who saw her?");
    }

    @Test
    void choicesInOneRowAreCutWhereverTheyStand() {
        assertThat(found(new SetPage()
                        .at(60, 100, 12, "1. The sea is a. blue b. red c. square")
                        .at(60, 130, 12, "2. Tick what floats.")
                        .at(60, 148, 12, "\u2610 a cork \u2610 a stone \u2610 a key")
                        .at(60, 180, 12, "3. The quay is made of")
                        .at(80, 198, 12, "(A) stone")
                        .at(250, 198, 12, "(B) bread")
                        .at(420, 198, 12, "(C) rain")))
                .containsExactly(
                        "QUESTION: 1. The sea is",
                        "CHOICE: a. blue",
                        "CHOICE: b. red",
                        "CHOICE: c. square",
                        "QUESTION: 2. Tick what floats.",
                        "CHOICE: \u2610 a cork",
                        "CHOICE: \u2610 a stone",
                        "CHOICE: \u2610 a key",
                        "QUESTION: 3. The quay is made of",
                        "CHOICE: (A) stone",
                        "CHOICE: (B) bread",
                        "CHOICE: (C) rain");
    }

    @Test
    void whatOnlyLooksLikeAMarkerIsNone() {
        assertThat(found(new SetPage()
                        .at(60, 100, 12, "A. Marsh wrote this paper for the third class of the school.")
                        .at(60, 140, 12, "3.5 metres of rope lie on the quay, and nobody needs them.")
                        .at(60, 180, 12, "12 boats came in on Monday and seven of them went out again.")))
                .allMatch(line -> line.startsWith("PASSAGE: "));
    }

    @Test
    void letteredQuestionsAreNoChoices() {
        assertThat(found(new SetPage()
                        .at(60, 100, 12, "1. Look at the map.")
                        .at(80, 118, 12, "a) Where is the quay?")
                        .at(80, 136, 12, "b) How far is it to the school? ______")))
                .containsExactly(
                        "QUESTION: 1. Look at the map.",
                        "QUESTION: a) Where is the quay?",
                        "QUESTION: b) How far is it to the school? ______");
    }

    @Test
    void columnsAreReadOneAfterTheOtherUnderATitleOverBoth() {
        SetPage page = new SetPage().at(150, 80, 20, "Two columns of questions here");
        for (int i = 0; i < 4; i++) {
            page.at(60, 120 + i * 60, 10, (i + 1) + ". Question in the left column?")
                    .at(70, 134 + i * 60, 10, "a. yes")
                    .at(70, 146 + i * 60, 10, "b. no")
                    .at(320, 120 + i * 60, 10, (i + 5) + ". Question in the right column?")
                    .at(330, 134 + i * 60, 10, "a. yes")
                    .at(330, 146 + i * 60, 10, "b. no");
        }
        List<String> found = found(page);
        assertThat(found.get(0)).isEqualTo("HEADING: Two columns of questions here");
        assertThat(found.stream().filter(line -> line.startsWith("QUESTION")).map(line -> line.charAt(10)))
                .containsExactly('1', '2', '3', '4', '5', '6', '7', '8');
        assertThat(found).hasSize(25);
    }

    @Test
    void choicesThatGoAcrossBeforeDownKeepTheirOrder() {
        assertThat(found(new SetPage()
                        .at(60, 100, 12, "1. Which of these is a fish?")
                        .at(80, 120, 12, "A. cod")
                        .at(300, 120, 12, "B. cow")
                        .at(80, 140, 12, "C. hen")
                        .at(300, 140, 12, "D. dog")))
                .containsSubsequence("CHOICE: A. cod", "CHOICE: B. cow", "CHOICE: C. hen", "CHOICE: D. dog");
    }

    @Test
    void headsFeetAndPageNumbersAreLeftOut() {
        SetPage[] pages = new SetPage[3];
        for (int i = 0; i < 3; i++) {
            pages[i] = new SetPage()
                    .at(60, 40, 12, "Tern Lane School, spring")
                    .at(60, 120, 12, "Read the story on page " + (i + 1) + ".")
                    .at(280, 815, 12, "Page " + (i + 1) + " of 3");
        }
        assertThat(found(pages))
                .containsExactly(
                        "DIRECTION: Read the story on page 1.",
                        "DIRECTION: Read the story on page 2.",
                        "DIRECTION: Read the story on page 3.");
    }

    @Test
    void aDividedWordIsPutTogetherAndNewLinesOfTheWriterStayApart() {
        assertThat(found(new SetPage()
                        .rows(
                                60,
                                100,
                                12,
                                15,
                                "The fishermen on the quay told each other of the great storm that came in the Novem-",
                                "ber of that year, and of the boats that never came home.")
                        .rows(60, 200, 12, 15, "Listen to the story.", "Draw what you heard.")))
                .containsExactly(
                        "PASSAGE: The fishermen on the quay told each other of the great storm that came in the November"
                                + " of that year, and of the boats that never came home.",
                        "DIRECTION: Listen to the story.",
                        "DIRECTION: Draw what you heard.");
    }

    @Test
    void aPageWithoutTextHasNoLinesAndAFloodOfWordsEnds() {
        assertThat(found(new SetPage())).isEmpty();
        SetPage flood = new SetPage();
        for (int i = 0; i < 30_000; i++) {
            flood.at(i * 7 % 500, i * 13 % 800, 8, "w" + i);
        }
        assertThat(found(flood)).isNotEmpty();
    }
}
