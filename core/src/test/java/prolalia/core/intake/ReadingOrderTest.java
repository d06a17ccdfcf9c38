package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prolalia.core.intake.PageText.Word;
import prolalia.core.place.Area;

/** In which order a page is read, however its words lie in the file: each page here is shuffled. */
class ReadingOrderTest {
    private static final double EM = 0.02;
    private static final double ASPECT = 1;

    private final List<Fragment> page = new ArrayList<>();

    private void put(String text, double x, double y, double w) {
        page.add(Fragment.of(List.of(new Word(text, new Area(x, y, w, 0.02), EM, false)), ASPECT));
    }

    private String order() {
        Collections.shuffle(page, new Random(3));
        return String.join(
                " ", ReadingOrder.of(page).stream().map(Fragment::text).toList());
    }

    @Test
    void onePageFromTopToBottomAndRowsFromLeftToRight() {
        put("c", 0.1, 0.2, 0.3);
        put("a", 0.1, 0.1, 0.2);
        put("b", 0.6, 0.103, 0.2);
        put("d", 0.1, 0.3, 0.7);
        assertThat(order()).isEqualTo("a b c d");
    }

    @Test
    void twoColumnsUnderATitleAndAboveALineAcross() {
        put("Title", 0.1, 0.05, 0.8);
        for (int row = 0; row < 4; row++) {
            put("l" + row, 0.1, 0.15 + row * 0.05, 0.3);
            put("r" + row, 0.55, 0.16 + row * 0.05, 0.3);
        }
        put("Foot", 0.1, 0.5, 0.8);
        put("l4", 0.1, 0.6, 0.3);
        put("l5", 0.1, 0.65, 0.3);
        put("r4", 0.55, 0.6, 0.3);
        put("r5", 0.55, 0.65, 0.3);
        assertThat(order()).isEqualTo("Title l0 l1 l2 l3 r0 r1 r2 r3 Foot l4 l5 r4 r5");
    }

    @Test
    void threeColumns() {
        for (int row = 0; row < 5; row++) {
            put("a" + row, 0.05, 0.1 + row * 0.05, 0.22);
            put("b" + row, 0.37, 0.1 + row * 0.05, 0.22);
            put("c" + row, 0.69, 0.1 + row * 0.05, 0.22);
        }
        assertThat(order()).isEqualTo("a0 a1 a2 a3 a4 b0 b1 b2 b3 b4 c0 c1 c2 c3 c4");
    }

    @ParameterizedTest
    @CsvSource({"A. one, B. two, C. three, D. four", "A. one, C. three, B. two, D. four"})
    void choicesThatGoOnAcrossAreReadAcrossAndThoseThatGoDownAreReadDown(
            String upperLeft, String upperRight, String lowerLeft, String lowerRight) {
        put(upperLeft, 0.1, 0.1, 0.2);
        put(upperRight, 0.6, 0.1, 0.2);
        put(lowerLeft, 0.1, 0.16, 0.2);
        put(lowerRight, 0.6, 0.16, 0.2);
        assertThat(order()).isEqualTo("A. one B. two C. three D. four");
    }

    @Test
    void oneRowWithPartsIsNoPairOfColumns() {
        put("Name", 0.1, 0.05, 0.2);
        put("Date", 0.6, 0.05, 0.2);
        put("a", 0.1, 0.2, 0.8);
        put("b", 0.1, 0.3, 0.8);
        assertThat(order()).isEqualTo("Name Date a b");
        page.clear();
        assertThat(order()).isEmpty();
    }

    @Test
    void aNarrowGapIsASpaceAndNoGutter() {
        for (int row = 0; row < 4; row++) {
            put("l" + row, 0.1, 0.1 + row * 0.05, 0.39);
            put("r" + row, 0.505, 0.1 + row * 0.05, 0.39);
        }
        assertThat(order()).isEqualTo("l0 r0 l1 r1 l2 r2 l3 r3");
    }
}
