package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;
import prolalia.core.place.WordPlaces.PlacedWord;

/** Fragments that are read as one; it grows while rows are added. */
final class Paragraph {
    private final List<Fragment> fragments = new ArrayList<>();
    private final Marker marker;

    /** @param marker what it begins with, if that was understood as one of a row of such; null otherwise */
    Paragraph(Fragment first, Marker marker) {
        fragments.add(first);
        this.marker = marker;
    }

    void add(Fragment next) {
        fragments.add(next);
    }

    Marker marker() {
        return marker;
    }

    Fragment first() {
        return fragments.get(0);
    }

    Fragment last() {
        return fragments.get(fragments.size() - 1);
    }

    int rows() {
        return fragments.size();
    }

    /** From the top of one row to the top of the next, where there are two. */
    double leading() {
        int rows = fragments.size();
        return rows < 2
                ? 0
                : fragments.get(rows - 1).area().y()
                        - fragments.get(rows - 2).area().y();
    }

    Area area() {
        return fragments.stream().map(Fragment::area).reduce(Area::with).orElseThrow();
    }

    boolean hasBlank() {
        return fragments.stream().anyMatch(Fragment::hasBlank);
    }

    WordPlaces words() {
        return WordPlaces.of(fragments.stream()
                .flatMap(fragment -> fragment.words().stream())
                .map(word -> new PlacedWord(word.text(), word.area()))
                .toList());
    }

    /** Its words in one row; a word that was divided at a row's end is put together. */
    String text() {
        String joined = fragments.stream().map(Fragment::text).collect(Collectors.joining("\n"));
        return joined.replaceAll("(?<=\\p{Ll})[-\u2010]\n(?=\\p{Ll})", "")
                .replaceAll("\u00ad\n?", "")
                .replace('\n', ' ')
                .replaceAll("\\s+", " ")
                .trim();
    }
}
