package prolalia.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prolalia.core.code.CodePlaces.Box;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.place.Area;

/** Finds places on a page for the words that are typed where there is no camera, at the codes they stand for. Stateless. */
public final class CodeWords {
    /** Of small letters, with what is above and below them. */
    private static final double WORDS_MM = 2.6;

    /** Words may stand nearer to a paper's edge than codes. */
    private static final double EDGE_MM = 5;

    private static final double NUMBER_MM = 5.5;

    private CodeWords() {}

    /**
     * Where the words that are typed in place of a code can stand: right under it, else right above it, in the white.
     *
     * @return one for each place, as wide as the code; empty: there is no code, or no room for words
     */
    public static List<Optional<Area>> places(Sheet sheet, Placed placed) {
        List<Place> standing =
                placed.places().stream().flatMap(Optional::stream).toList();
        List<Optional<Area>> words = new ArrayList<>();
        List<Box> taken = new ArrayList<>();
        for (Optional<Place> place : placed.places()) {
            Optional<Box> strip = place.flatMap(each -> strips(sheet.mm(each.area())).stream()
                    .filter(box -> isFreeForWords(sheet, box, each, standing, taken))
                    .findFirst());
            strip.ifPresent(taken::add);
            words.add(strip.map(box -> CodePlaces.area(sheet, box)));
        }
        return words;
    }

    /**
     * Where the number of a code's question stands when there is no room for words: at one of its corners, in the white.
     *
     * @param words as {@link #places} found them
     * @return one for each place that has no words; empty: there is no room, or no need
     */
    public static List<Optional<Area>> numbers(Sheet sheet, Placed placed, List<Optional<Area>> words) {
        List<Place> standing =
                placed.places().stream().flatMap(Optional::stream).toList();
        List<Box> taken = new ArrayList<>();
        words.forEach(each -> each.ifPresent(area -> taken.add(sheet.mm(area))));
        List<Optional<Area>> numbers = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            Optional<Box> found = words.get(i).isPresent()
                    ? Optional.empty()
                    : placed.places()
                            .get(i)
                            .flatMap(each -> corners(sheet.mm(each.area())).stream()
                                    .filter(box -> isFreeForWords(sheet, box, each, standing, taken))
                                    .findFirst());
            found.ifPresent(taken::add);
            numbers.add(found.map(box -> CodePlaces.area(sheet, box)));
        }
        return numbers;
    }

    private static List<Box> corners(Box code) {
        double left = code.x() - NUMBER_MM;
        double lower = code.bottom() - WORDS_MM;
        return List.of(
                new Box(left, code.y(), NUMBER_MM, WORDS_MM),
                new Box(code.right(), code.y(), NUMBER_MM, WORDS_MM),
                new Box(left, lower, NUMBER_MM, WORDS_MM),
                new Box(code.right(), lower, NUMBER_MM, WORDS_MM),
                new Box(code.x(), code.bottom(), NUMBER_MM, WORDS_MM),
                new Box(code.x(), code.y() - WORDS_MM, NUMBER_MM, WORDS_MM));
    }

    private static List<Box> strips(Box code) {
        return List.of(
                new Box(code.x(), code.bottom(), code.w(), WORDS_MM),
                new Box(code.x(), code.y() - WORDS_MM, code.w(), WORDS_MM));
    }

    private static boolean isFreeForWords(Sheet sheet, Box strip, Place own, List<Place> standing, List<Box> taken) {
        boolean onPage = strip.x() >= EDGE_MM
                && strip.right() <= sheet.widthMm() - EDGE_MM
                && strip.y() >= EDGE_MM
                && strip.bottom() <= sheet.heightMm() - EDGE_MM;
        Area around = sheet.share(
                strip.x() - CodePlaces.CLEAR_MM,
                strip.y() - CodePlaces.CLEAR_MM,
                strip.w() + 2 * CodePlaces.CLEAR_MM,
                strip.h() + 2 * CodePlaces.CLEAR_MM);
        return onPage
                && sheet.ink().isFree(around)
                && sheet.others().stream().noneMatch(around::touches)
                && taken.stream().noneMatch(other -> other.gap(strip) < CodePlaces.CLEAR_MM)
                && standing.stream()
                        .noneMatch(each -> CodePlaces.crosses(each.hairline(), strip, sheet)
                                || each != own && sheet.mm(each.area()).gap(strip) < CodePlaces.CLEAR_MM);
    }
}
