package prolalia.core.align;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Matches files to the lines or pages of a script, by what their names say.
 *
 * <p>Words first: a name that says what a line says is that line's. Then numbers: "page 2 - 03" is the third line of page 2,
 * "03" the third line, or the third page when the files are as many as the pages. What neither tells goes by the natural order
 * of the names, when there is nothing else to go by. Stateless and thread-safe.
 */
public final class FileMatch {
    /** A name is a line's when so much of what it says is in the line, rarer words counting more... */
    private static final double WORDS_MATCH = 0.7;

    /** ... and so much better than in the next best line. */
    private static final double CLEARLY = 0.15;

    private static final double LENGTH_WEIGHT = 0.3;

    /** A letter in a name is no word. */
    private static final int FEWEST_LETTERS = 3;

    private static final double WEIGHT_OF_REMARKS = 0.2;

    /** A number with more digits is a date or a counter. */
    private static final int MOST_DIGITS = 4;

    private FileMatch() {}

    /** What tells where a file belongs. */
    public enum How {
        WORDS,
        NUMBER,
        ORDER,
        /** Nothing does. */
        NOTHING
    }

    /**
     * A line of the script.
     *
     * @param page from 1
     */
    public record ScriptPlace(int page, String words) {}

    /**
     * Where a file belongs.
     *
     * @param line index in the script, -1 when it isn't a line's
     * @param page from 1, 0 when it isn't a page's
     */
    public record Match(How how, int line, int page) {
        static final Match NONE = new Match(How.NOTHING, -1, 0);

        static Match ofLine(How how, int line) {
            return new Match(how, line, 0);
        }
    }

    /**
     * @param names of the files
     * @param script its lines in reading order
     * @return for each file, in the order of {@code names}; two may have the same place
     */
    public static List<Match> of(List<String> names, List<ScriptPlace> script) {
        List<Set<String>> lines =
                script.stream().map(line -> FileName.words(line.words())).toList();
        List<FileName> files =
                FileName.read(names, lines.stream().flatMap(Set::stream).collect(Collectors.toSet()));
        Match[] matches = new Match[names.size()];
        Arrays.fill(matches, Match.NONE);
        matchWords(files, lines, script, matches);
        matchNumbers(files, script, matches);
        matchOrder(files, script, matches);
        return List.of(matches);
    }

    // ---- words

    private static void matchWords(
            List<FileName> files, List<Set<String>> lines, List<ScriptPlace> script, Match[] matches) {
        Map<String, Integer> inLines = new HashMap<>();
        lines.forEach(words -> words.forEach(word -> inLines.merge(word, 1, Integer::sum)));
        for (int file = 0; file < matches.length; file++) {
            Set<String> said = files.get(file).words();
            double all = weight(said, inLines, script.size());
            int best = -1;
            double most = 0;
            double second = 0;
            for (int line = 0; line < lines.size() && all > 0; line++) {
                Set<String> shared = new HashSet<>(said);
                shared.retainAll(lines.get(line));
                double share = weight(shared, inLines, script.size()) / all;
                // Of two lines that hold all of a name, the shorter one is meant.
                double score = share
                        - 0.3
                                * (1
                                        - shared.size()
                                                / (double) Math.max(
                                                        1, lines.get(line).size()));
                if (score > most) {
                    second = most;
                    most = score;
                    best = line;
                } else {
                    second = Math.max(second, score);
                }
            }
            if (most >= WORDS_MATCH - 0.3
                    && most - second >= CLEARLY
                    && shares(said, lines.get(best), inLines, script)) {
                matches[file] = Match.ofLine(How.WORDS, best);
            }
        }
    }

    private static boolean shares(
            Set<String> said, Set<String> line, Map<String, Integer> inLines, List<ScriptPlace> script) {
        Set<String> shared = new HashSet<>(said);
        shared.retainAll(line);
        if (shared.stream().mapToInt(String::length).sum() < FEWEST_LETTERS) {
            return false;
        }
        return weight(shared, inLines, script.size()) >= WORDS_MATCH * weight(said, inLines, script.size());
    }

    /** A word that many lines have tells little; one that none has may be anybody's remark. */
    private static double weight(Set<String> words, Map<String, Integer> inLines, int lines) {
        return words.stream()
                .mapToDouble(word -> inLines.containsKey(word)
                        ? Math.log((lines + 1.0) / inLines.get(word))
                        : Math.log(lines + 1.0) * WEIGHT_OF_REMARKS)
                .sum();
    }

    // ---- numbers

    private static void matchNumbers(List<FileName> files, List<ScriptPlace> script, Match[] matches) {
        int pages = script.stream().mapToInt(ScriptPlace::page).max().orElse(0);
        List<Integer> open = IntStream.range(0, matches.length)
                .filter(file -> matches[file].how() == How.NOTHING)
                .boxed()
                .toList();
        boolean both = !open.isEmpty()
                && open.stream().allMatch(file -> files.get(file).page() == 0)
                && open.stream().allMatch(file -> files.get(file).numbers().size() == 2)
                && open.stream()
                        .allMatch(file -> lineOnPage(
                                        script,
                                        files.get(file).numbers().get(0),
                                        files.get(file).numbers().get(1))
                                >= 0);
        List<Integer> last = open.stream()
                .filter(file -> files.get(file).page() == 0)
                .map(file -> files.get(file).lastNumber(MOST_DIGITS))
                .filter(number -> number >= 0)
                .toList();
        // Who counts from 0 has a first line 0.
        int shift = last.contains(0) ? 1 : 0;
        int highest = last.stream().mapToInt(Integer::intValue).max().orElse(0) + shift;
        boolean arePages = files.size() == pages && highest <= pages && script.size() != pages;
        for (int file : open) {
            FileName name = files.get(file);
            int number = name.lastNumber(MOST_DIGITS);
            if (name.page() > 0) {
                matches[file] = onPage(script, name, pages);
            } else if (both) {
                matches[file] = Match.ofLine(
                        How.NUMBER,
                        lineOnPage(script, name.numbers().get(0), name.numbers().get(1)));
            } else if (number >= 0 && arePages) {
                matches[file] = page(How.NUMBER, script, number + shift);
            } else if (number >= 0 && number + shift >= 1 && number + shift <= script.size()) {
                matches[file] = Match.ofLine(How.NUMBER, number + shift - 1);
            }
        }
    }

    /** A name that says its page: with another number, that line of the page. */
    private static Match onPage(List<ScriptPlace> script, FileName name, int pages) {
        if (name.page() > pages) {
            return Match.NONE;
        }
        if (name.numbers().isEmpty()) {
            return page(How.NUMBER, script, name.page());
        }
        int line = lineOnPage(
                script, name.page(), name.numbers().get(name.numbers().size() - 1));
        return line >= 0 ? Match.ofLine(How.NUMBER, line) : page(How.NUMBER, script, name.page());
    }

    /** A page with one line is that line. */
    private static Match page(How how, List<ScriptPlace> script, int page) {
        int[] lines = IntStream.range(0, script.size())
                .filter(line -> script.get(line).page() == page)
                .toArray();
        if (lines.length == 0) {
            return Match.NONE;
        }
        return lines.length == 1 ? Match.ofLine(how, lines[0]) : new Match(how, -1, page);
    }

    /** The index of a page's line, -1 when there is none. */
    private static int lineOnPage(List<ScriptPlace> script, int page, int number) {
        int[] lines = IntStream.range(0, script.size())
                .filter(line -> script.get(line).page() == page)
                .toArray();
        return number >= 1 && number <= lines.length ? lines[number - 1] : -1;
    }

    // ---- order

    /** Goes by order when no name tells anything: page by page when the files are as many; or when exactly as many lines as files are left over. */
    private static void matchOrder(List<FileName> files, List<ScriptPlace> script, Match[] matches) {
        List<Integer> open = IntStream.range(0, matches.length)
                .filter(file -> matches[file].how() == How.NOTHING)
                .boxed()
                .sorted(Comparator.comparing(files::get))
                .toList();
        int pages = script.stream().mapToInt(ScriptPlace::page).max().orElse(0);
        if (open.size() == matches.length && open.size() == pages && script.size() != pages) {
            for (int i = 0; i < pages; i++) {
                matches[open.get(i)] = page(How.ORDER, script, i + 1);
            }
            return;
        }
        boolean wholePages = Arrays.stream(matches).anyMatch(match -> match.page() > 0);
        Set<Integer> matched = Arrays.stream(matches).map(Match::line).collect(Collectors.toSet());
        List<Integer> free = new ArrayList<>();
        for (int line = 0; line < script.size(); line++) {
            if (!matched.contains(line)) {
                free.add(line);
            }
        }
        if (!wholePages && (open.size() == matches.length || open.size() == free.size())) {
            for (int i = 0; i < Math.min(open.size(), free.size()); i++) {
                matches[open.get(i)] = Match.ofLine(How.ORDER, free.get(i));
            }
        }
    }
}
