package prolalia.core.place;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.StringJoiner;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Where the words of a line stand on the picture of its page, as they were found there. What is typed later doesn't change it:
 * of the words that a line has now, those that are still the same stand where they were found ({@link #in}).
 *
 * <p>Immutable. It is kept as text, since it lies in every line: words in the order of reading, separated by spaces, each as
 * {@code x,y,w,h=word}, in hundred-thousandths of the page.
 *
 * @param written that text; what can't be understood of it is no place
 */
public record WordPlaces(String written) {
    public static final WordPlaces NONE = new WordPlaces("");

    /** A line's may be written so long, in UTF-16 units. */
    public static final int LONGEST = 400_000;

    private static final double UNITS = 1e5;
    private static final long MOST = 9_999_999;
    private static final Pattern WRITTEN = Pattern.compile("(-?\\d{1,7}),(-?\\d{1,7}),(\\d{1,7}),(\\d{1,7})=(\\S+)");

    /** The end of a word that goes on in the next row, if that begins with a small letter. */
    private static final Pattern DIVIDED = Pattern.compile("\\p{Ll}[-\u2010]$");

    private static final double SAME_ROW = 0.4;

    private static final Pattern WORD = Pattern.compile("\\S+");

    /** Longer texts are compared from their beginnings and ends alone. */
    private static final int MOST_COMPARED = 1_200;

    public WordPlaces {
        written = written == null || written.length() > LONGEST ? "" : written;
    }

    /**
     * A word where it was found; one that goes on in the next row is found in two parts.
     *
     * @param text without space in it
     */
    public record PlacedWord(String text, Area area) {
        public PlacedWord {
            Objects.requireNonNull(text);
            Objects.requireNonNull(area);
        }
    }

    /**
     * A word of a line's text, and where it stands.
     *
     * @param from where it begins in the text, in UTF-16 units
     * @param text with the punctuation that it has in the line
     * @param areas one for each row that it stands in: mostly one
     */
    public record StandingWord(int from, String text, List<Area> areas) {}

    /** @param words in the order of reading */
    public static WordPlaces of(List<PlacedWord> words) {
        StringJoiner written = new StringJoiner(" ");
        for (PlacedWord word : words) {
            if (!word.text().isBlank()) {
                written.add(write(word.area()) + "=" + word.text().replaceAll("\\s+", ""));
            }
        }
        return new WordPlaces(written.toString());
    }

    private static String write(Area area) {
        return units(area.x()) + "," + units(area.y()) + "," + units(area.w()) + "," + units(area.h());
    }

    private static long units(double share) {
        return Math.max(-MOST, Math.min(MOST, Math.round(share * UNITS)));
    }

    /** Whether it isn't known of any word where it stands. */
    public boolean areUnknown() {
        return written.isEmpty();
    }

    /** All words that were found, in the order of reading. */
    public List<PlacedWord> words() {
        List<PlacedWord> words = new ArrayList<>();
        for (String each : written.split("\\s+")) {
            Matcher word = WRITTEN.matcher(each);
            if (word.matches()) {
                words.add(new PlacedWord(
                        word.group(5), new Area(share(word, 1), share(word, 2), share(word, 3), share(word, 4))));
            }
        }
        return words;
    }

    private static double share(Matcher place, int group) {
        return Integer.parseInt(place.group(group)) / UNITS;
    }

    /**
     * Where the words of a text stand. Words that sound the same in the same order are the same, so that one that was put in,
     * taken out or rewritten loses its place alone (longest common subsequence).
     *
     * @return the words that have a place, in order
     */
    public List<StandingWord> in(String text) {
        List<Whole> found = whole(words());
        List<StandingWord> standing = new ArrayList<>();
        if (found.isEmpty()) {
            return standing;
        }
        List<Integer> from = new ArrayList<>();
        List<String> now = new ArrayList<>();
        Matcher words = WORD.matcher(text);
        while (words.find()) {
            from.add(words.start());
            now.add(words.group());
        }
        int[] partner = partners(
                found.stream().map(word -> sound(word.text())).toList(),
                now.stream().map(WordPlaces::sound).toList());
        for (int i = 0; i < now.size(); i++) {
            if (partner[i] >= 0) {
                standing.add(new StandingWord(
                        from.get(i), now.get(i), found.get(partner[i]).areas()));
            }
        }
        return standing;
    }

    /** A word with all its parts. */
    private record Whole(String text, List<Area> areas) {}

    private static List<Whole> whole(List<PlacedWord> parts) {
        List<Whole> words = new ArrayList<>();
        for (PlacedWord part : parts) {
            Whole before = words.isEmpty() ? null : words.get(words.size() - 1);
            if (before != null && goesOn(before, part)) {
                words.set(
                        words.size() - 1,
                        new Whole(
                                before.text().substring(0, before.text().length() - 1) + part.text(),
                                List.of(before.areas().get(0), part.area())));
            } else {
                words.add(new Whole(part.text(), List.of(part.area())));
            }
        }
        return words;
    }

    private static boolean goesOn(Whole before, PlacedWord part) {
        String text = before.text();
        return text.length() > 1
                && before.areas().size() == 1
                && before.areas().get(0).sharedHeight(part.area()) < SAME_ROW
                && (text.endsWith("\u00ad")
                        || DIVIDED.matcher(text).find()
                                && Character.isLowerCase(part.text().codePointAt(0)));
    }

    /** What two words have in common that are the same to a reader: not case, nor what stands around them. */
    private static String sound(String word) {
        String bare = word.replaceAll("^[\\p{P}\\p{Z}\u00ad]+|[\\p{P}\\p{Z}]+$|\u00ad", "");
        return (bare.isEmpty() ? word : bare).toLowerCase(java.util.Locale.ROOT);
    }

    /** @return for each of the words now the one that it was, or -1 */
    private static int[] partners(List<String> before, List<String> now) {
        int[] partner = new int[now.size()];
        java.util.Arrays.fill(partner, -1);
        int head = 0;
        int shorter = Math.min(before.size(), now.size());
        while (head < shorter && before.get(head).equals(now.get(head))) {
            partner[head] = head;
            head++;
        }
        int tail = 0;
        while (tail < shorter - head && before.get(before.size() - 1 - tail).equals(now.get(now.size() - 1 - tail))) {
            partner[now.size() - 1 - tail] = before.size() - 1 - tail;
            tail++;
        }
        int rows = before.size() - head - tail;
        int columns = now.size() - head - tail;
        if (rows > MOST_COMPARED || columns > MOST_COMPARED) {
            return partner;
        }
        int[][] common = new int[rows + 1][columns + 1];
        for (int i = rows - 1; i >= 0; i--) {
            for (int j = columns - 1; j >= 0; j--) {
                common[i][j] = before.get(head + i).equals(now.get(head + j))
                        ? common[i + 1][j + 1] + 1
                        : Math.max(common[i + 1][j], common[i][j + 1]);
            }
        }
        for (int i = 0, j = 0; i < rows && j < columns; ) {
            if (before.get(head + i).equals(now.get(head + j))) {
                partner[head + j++] = head + i++;
            } else if (common[i + 1][j] >= common[i][j + 1]) {
                i++;
            } else {
                j++;
            }
        }
        return partner;
    }

    /** These, and after them those of a line that was joined to this one. */
    public WordPlaces and(WordPlaces after) {
        return areUnknown() ? after : after.areUnknown() ? this : new WordPlaces(written + " " + after.written);
    }

    /**
     * Those of each of several texts that a line is divided into. A word that is in none of them, such as the number before a
     * question, stays with the words that it stands among.
     */
    public List<WordPlaces> sharedOut(List<String> texts) {
        Map<Area, Integer> textOf = new HashMap<>();
        int from = 0;
        List<StandingWord> standing = in(String.join(" ", texts));
        for (int i = 0; i < texts.size(); i++) {
            int start = from;
            int end = start + texts.get(i).length();
            for (StandingWord word : standing) {
                if (word.from() >= start && word.from() < end) {
                    for (Area area : word.areas()) {
                        textOf.put(area, i);
                    }
                }
            }
            from = end + 1;
        }
        List<List<PlacedWord>> shares = new ArrayList<>();
        texts.forEach(text -> shares.add(new ArrayList<>()));
        List<PlacedWord> found = words();
        int current = found.stream()
                .map(word -> textOf.get(word.area()))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(0);
        for (PlacedWord word : found) {
            current = textOf.getOrDefault(word.area(), current);
            shares.get(current).add(word);
        }
        return shares.stream().map(WordPlaces::of).toList();
    }

    /** Whether most words of a row stand to the left of the one before them: they are read from the right. */
    public boolean runToTheLeft() {
        List<PlacedWord> words = words();
        int left = 0;
        int right = 0;
        for (int i = 1; i < words.size(); i++) {
            Area before = words.get(i - 1).area();
            Area area = words.get(i).area();
            if (before.sharedHeight(area) > SAME_ROW) {
                left += area.x() < before.x() ? 1 : 0;
                right += area.x() > before.x() ? 1 : 0;
            }
        }
        return left > right;
    }

    /** The smallest place that holds all of them; empty when there is none. */
    public Optional<Area> whole() {
        return words().stream().map(PlacedWord::area).reduce(Area::with);
    }

    /** Each place as it is elsewhere, such as on the page turned. */
    public WordPlaces moved(UnaryOperator<Area> how) {
        return of(words().stream()
                .map(word -> new PlacedWord(word.text(), how.apply(word.area())))
                .toList());
    }

    /**
     * The same words, each at another place.
     *
     * @param areas as many as there are words
     */
    public WordPlaces at(List<Area> areas) {
        List<PlacedWord> words = words();
        if (areas.size() != words.size()) {
            throw new IllegalArgumentException(areas.size() + " places for " + words.size() + " words");
        }
        return of(IntStream.range(0, areas.size())
                .mapToObj(i -> new PlacedWord(words.get(i).text(), areas.get(i)))
                .toList());
    }

    /** Those whose middle is within a part of the page. */
    public WordPlaces within(Area part) {
        return of(words().stream()
                .filter(word -> part.holds(word.area().middleX(), word.area().middleY()))
                .toList());
    }

    /** The rows that they stand in, in the order of reading: one place for each; none when it isn't known where they are. */
    public List<Area> rows() {
        List<Area> rows = new ArrayList<>();
        for (PlacedWord word : words()) {
            Area last = rows.isEmpty() ? null : rows.get(rows.size() - 1);
            if (last != null && last.sharedHeight(word.area()) > SAME_ROW) {
                rows.set(rows.size() - 1, last.with(word.area()));
            } else {
                rows.add(word.area());
            }
        }
        return rows;
    }
}
