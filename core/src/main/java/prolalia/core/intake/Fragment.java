package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import prolalia.core.intake.PageText.Word;
import prolalia.core.place.Area;

/** Words that stand in one row, near each other. */
record Fragment(List<Word> words, Area area, double size, boolean bold, double em) {
    private static final String BLANK = "(?:_\\s?){3,}|\\.{5,}|(?:\\. ){4,}\\.?|\u2026{2,}|[\u2013\u2014]{3,}|-{5,}";

    static Fragment of(List<Word> words, double aspect) {
        Area area = words.stream().map(Word::area).reduce(Area::with).orElseThrow();
        double size = words.stream().mapToDouble(Word::size).max().orElseThrow();
        long bold = words.stream()
                .filter(Word::bold)
                .mapToInt(word -> word.text().length())
                .sum();
        long all = words.stream().mapToInt(word -> word.text().length()).sum();
        return new Fragment(List.copyOf(words), area, size, bold * 2 > all, size / aspect);
    }

    String text() {
        return words.stream().map(Word::text).collect(Collectors.joining(" "));
    }

    /** Whether it is there to be written on: rules or dots, with at most a few words before them. */
    boolean isBlank() {
        String text = text();
        String rest = text.replaceAll(BLANK, "").trim();
        return !rest.equals(text) && (rest.isEmpty() || rest.endsWith(":") && rest.split("\\s+").length <= 3);
    }

    boolean hasBlank() {
        String text = text();
        return !text.replaceAll(BLANK, "").equals(text);
    }

    /** Where the text after its number or letter begins, as a share of the page's width. */
    double textX() {
        return Marker.of(text())
                .map(marker -> {
                    int at = 0;
                    for (Word word : words) {
                        if (at >= marker.length()) {
                            return word.area().x();
                        }
                        at += word.text().length() + 1;
                    }
                    return area.x() + em;
                })
                .orElse(area.x());
    }

    /** Cuts it before each of some words, given by their index. */
    List<Fragment> cutBefore(List<Integer> at, double aspect) {
        List<Fragment> parts = new ArrayList<>();
        int from = 0;
        for (int next : at) {
            if (next > from) {
                parts.add(of(words.subList(from, next), aspect));
                from = next;
            }
        }
        parts.add(of(words.subList(from, words.size()), aspect));
        return parts;
    }
}
