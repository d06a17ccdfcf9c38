package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import prolalia.core.code.CodeCard.Box;
import prolalia.core.code.CodeCard.Layout;

/** What is printed for a code, in cells of whatever size: all of it within the cell, nothing over anything. */
class CodeCardTest {
    private static final String ADDRESS = "HTTPS://LESSONS.SCHOOL.EXAMPLE/C/7KQ2MX93PA";

    @ParameterizedTest
    @EnumSource(Layout.class)
    void nothingLeavesItsCellOrLiesOverAnything(Layout layout) throws Exception {
        CodeSymbol symbol = CodeSymbol.of(ADDRESS);
        int cards = 0;
        for (boolean hasPicture : new boolean[] {false, true}) {
            for (double w = 30; w <= 210; w += 9) {
                for (double h = layout == Layout.CARDS ? 60 : 25; h <= 290; h += 13) {
                    Optional<CodeCard> card = CodeCard.in(layout, symbol, hasPicture, w, h);
                    if (card.isPresent()) {
                        cards++;
                        check(card.get(), w, h);
                    }
                }
            }
        }
        assertThat(cards).isGreaterThan(100);
    }

    private static void check(CodeCard card, double w, double h) {
        String cell = card + " in " + w + " by " + h;
        List<Box> boxes = new ArrayList<>(
                Stream.of(card.code(), card.name(), card.typed()).toList());
        if (card.picture() != null) {
            boxes.add(card.picture());
        }
        for (Box box : boxes) {
            assertThat(box.w()).as(cell).isPositive();
            assertThat(box.h()).as(cell).isPositive();
            assertThat(Math.min(box.x(), box.y())).as(cell).isGreaterThanOrEqualTo(-0.001);
            assertThat(box.right()).as(cell).isLessThanOrEqualTo(w + 0.001);
            assertThat(box.bottom()).as(cell).isLessThanOrEqualTo(h + 0.001);
            for (Box other : boxes) {
                assertThat(box != other && overlap(box, other)).as(cell).isFalse();
            }
        }
        assertThat(card.code().w())
                .isEqualTo(card.code().h())
                .isGreaterThanOrEqualTo(card.print().sideMm() - 0.001);
        assertThat(card.print().moduleMm()).as(cell).isGreaterThanOrEqualTo(CodePrint.SMALLEST_MODULE_MM);
    }

    private static boolean overlap(Box one, Box other) {
        return one.x() < other.right() - 0.01
                && other.x() < one.right() - 0.01
                && one.y() < other.bottom() - 0.01
                && other.y() < one.bottom() - 0.01;
    }

    @Test
    void aCardThatStandsIsFoldedInItsMiddleAndItsNameIsReadFromBehind() throws Exception {
        CodeCard card =
                CodeCard.in(Layout.CARDS, CodeSymbol.of(ADDRESS), true, 90, 130).orElseThrow();
        assertThat(card.turned()).isTrue();
        assertThat(card.foldY()).isEqualTo(65);
        assertThat(card.name().bottom()).isLessThan(65);
        assertThat(card.code().y()).isGreaterThan(65);
        assertThat(card.code().x() * 2 + card.code().w()).isCloseTo(90, offset(0.001));
        CodeCard flat =
                CodeCard.in(Layout.GRID, CodeSymbol.of(ADDRESS), true, 90, 60).orElseThrow();
        assertThat(flat.turned()).isFalse();
        assertThat(flat.foldY()).isZero();
        assertThat(flat.code().x())
                .as("words stand beside the code")
                .isGreaterThan(flat.name().right());
    }

    @Test
    void whereACodeWouldBeTooFineThereIsNone() throws Exception {
        for (Layout layout : Layout.values()) {
            assertThat(CodeCard.in(layout, CodeSymbol.of(ADDRESS), false, 14, 14))
                    .isEmpty();
        }
    }
}
