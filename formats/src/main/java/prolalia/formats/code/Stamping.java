package prolalia.formats.code;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.core.code.CodeWords;
import prolalia.core.code.SheetPaper;
import prolalia.core.place.Area;
import prolalia.formats.code.CodeSheet.CodeMark;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.code.StampedPaper.Typed;

/** Puts codes on a paper: at its questions, on its pages, or on sheets at its end. Stateless. */
public final class Stamping {
    private Stamping() {}

    /** Where the codes stand. */
    public enum Manner {
        /** Beside the question that each is for; who has no room there is left. */
        EACH_QUESTION,
        /** Beside the question that each is for; who has no room there stands on a sheet at the end. */
        EACH_QUESTION_REST_AT_END,
        /** In a corner of its page. */
        ONE_A_PAGE,
        /** All on sheets at the end, as cards to be cut apart. */
        AT_END
    }

    /**
     * A code that is asked for.
     *
     * @param page from 1, that it is for
     * @param name what a card at the end says; what the question is
     * @param typed what is typed in its place; empty: nothing
     * @param wanted where its question stands; null: that isn't known, or it is for the whole page
     */
    public record Code(int page, String name, String address, String typed, Wanted wanted) {
        private static final Pattern NUMBERED =
                Pattern.compile("\\D{0,12}?(\\d{1,4}[a-z]?)[.):]\\)?\\s.*", Pattern.DOTALL);

        /** The number of its question, as it stands before its words: "3"; empty: it has none. */
        String number() {
            Matcher numbered = NUMBERED.matcher(name + " ");
            return wanted != null && numbered.matches() ? numbered.group(1) : "";
        }
    }

    /**
     * A code that stands on the paper.
     *
     * @param page from 1, on which it stands
     * @param area with its quiet zone, in shares of that page
     * @param sideMm with its quiet zone
     */
    public record Standing(Code code, int page, Area area, double sideMm) {}

    /** @param standing in the order in which they were asked for @param left those for which there was no room */
    public record Stamped(List<Standing> standing, List<Code> left) {}

    /**
     * @param codes in the order in which they are read
     * @param distanceMm from where they are scanned; where there is less room they are smaller
     * @throws TooLongException if an address is too long for a code
     */
    public static Stamped stamp(StampedPaper paper, List<Code> codes, Manner manner, double distanceMm)
            throws IOException, TooLongException {
        List<Standing> standing = new ArrayList<>();
        List<Code> left = new ArrayList<>();
        if (codes.isEmpty()) {
            return new Stamped(standing, left);
        }
        // All codes of a paper have one size where they can: that of the longest address.
        String longest = codes.stream()
                .map(Code::address)
                .max(Comparator.comparingInt(String::length))
                .orElseThrow();
        CodePrint print = CodePrint.forDistance(CodeSymbol.of(longest), distanceMm);
        if (manner == Manner.AT_END) {
            left.addAll(codes);
        } else {
            // While one page is looked through for places, the next one is drawn.
            Pending before = null;
            for (int page = 1; page <= paper.pages(); page++) {
                Pending now = look(paper, page, codes, manner == Manner.ONE_A_PAGE, print, left);
                if (before != null) {
                    before.draw(paper, print, standing, left);
                }
                before = now;
            }
            if (before != null) {
                before.draw(paper, print, standing, left);
            }
        }
        boolean restAtEnd = manner == Manner.AT_END || manner == Manner.EACH_QUESTION_REST_AT_END;
        if (restAtEnd && !left.isEmpty()) {
            List<Code> rest = List.copyOf(left);
            left.clear();
            atEnd(paper, rest, standing, left);
        }
        standing.sort(Comparator.comparingInt(each -> codes.indexOf(each.code())));
        left.sort(Comparator.comparingInt(codes::indexOf));
        return new Stamped(standing, left);
    }

    /** Codes of a page whose places are being looked for. */
    private record Pending(int page, List<Code> codes, Sheet sheet, CompletableFuture<Placed> places) {
        private void draw(StampedPaper paper, CodePrint print, List<Standing> standing, List<Code> left)
                throws IOException {
            Placed placed = places.join();
            for (int i = 0; i < codes.size(); i++) {
                Optional<Place> place = placed.places().get(i);
                if (place.isEmpty()) {
                    left.add(codes.get(i));
                } else {
                    standing.add(new Standing(
                            codes.get(i),
                            page,
                            place.get().area(),
                            placed.print().sideMm()));
                }
            }
            List<Optional<Area>> words = CodeWords.places(sheet, placed);
            List<Optional<Area>> numbers = CodeWords.numbers(sheet, placed, words);
            List<Typed> typed = new ArrayList<>();
            for (int i = 0; i < codes.size(); i++) {
                Code code = codes.get(i);
                String said = (code.number() + "  " + code.typed()).strip();
                if (!said.isEmpty()) {
                    words.get(i).ifPresent(at -> typed.add(new Typed(said, at)));
                }
                if (!code.number().isEmpty()) {
                    numbers.get(i).ifPresent(at -> typed.add(new Typed(code.number(), at)));
                }
            }
            paper.draw(page - 1, placed, i -> CodeImage.of(codes.get(i).address(), print.symbol()), typed);
        }
    }

    /** @return null: nothing stands on this page */
    private static Pending look(
            StampedPaper paper, int page, List<Code> all, boolean inCorner, CodePrint print, List<Code> left)
            throws IOException {
        List<Code> own = all.stream().filter(code -> code.page() == page).toList();
        List<Code> placeable =
                own.stream().filter(code -> inCorner || code.wanted() != null).toList();
        own.stream().filter(code -> !placeable.contains(code)).forEach(left::add);
        if (placeable.isEmpty()) {
            return null;
        }
        List<Code> these = inCorner ? placeable.subList(placeable.size() - 1, placeable.size()) : placeable;
        Sheet sheet = paper.sheet(page - 1);
        return new Pending(
                page,
                these,
                sheet,
                CompletableFuture.supplyAsync(() -> inCorner
                        ? CodePlaces.inCorner(sheet, print)
                        : CodePlaces.beside(
                                sheet, these.stream().map(Code::wanted).toList(), print)));
    }

    private static void atEnd(StampedPaper paper, List<Code> codes, List<Standing> standing, List<Code> left)
            throws IOException {
        List<Item> items = codes.stream()
                .map(code -> new Item(code.name(), code.address(), code.typed(), null))
                .toList();
        SheetPaper size = paper.likeSheet();
        CodeSheet sheets = CodeSheet.of(items, Layout.GRID, CodeCard.grid(Layout.GRID, size), 0);
        int before = paper.pages();
        paper.add(sheets);
        int at = 0;
        for (int sheet = 0; sheet < sheets.sheets().size(); sheet++) {
            for (CodeMark mark : sheets.codes(sheet)) {
                while (sheets.leftOut().contains(items.get(at))) {
                    left.add(codes.get(at++));
                }
                standing.add(new Standing(
                        codes.get(at++),
                        before + sheet + 1,
                        new Area(
                                mark.at().x() / size.widthMm(),
                                mark.at().y() / size.heightMm(),
                                mark.at().w() / size.widthMm(),
                                mark.at().h() / size.heightMm()),
                        mark.at().w()));
            }
        }
        left.addAll(codes.subList(at, codes.size()));
    }
}
