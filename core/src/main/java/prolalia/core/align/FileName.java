package prolalia.core.align;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the name of a file says: words and numbers, without what all files dropped together have in common, a date or a title.
 * Natural order: "2" comes before "10".
 *
 * @param page that the name says it is of, 0 for none
 * @param numbers that are no page's, in their order
 */
record FileName(String name, int page, List<Integer> numbers, Set<String> words) implements Comparable<FileName> {
    private static final Pattern ENDING = Pattern.compile("\\.\\w{1,5}$");
    private static final Pattern PART = Pattern.compile("\\d+|\\p{L}[\\p{L}\\p{M}'’]*");
    private static final Set<String> PAGE_LABELS = Set.of("page", "pages", "p", "pg", "slide", "s");
    private static final Pattern LEADING_ZEROS = Pattern.compile("^0+(?=.)");
    private static final int MOST_DIGITS = 6;

    /**
     * Reads the names of files that were dropped together.
     *
     * @param script all words that lines have
     */
    static List<FileName> read(List<String> names, Set<String> script) {
        List<List<String>> parts = names.stream().map(FileName::parts).toList();
        Map<String, Integer> inNames = new HashMap<>();
        for (List<String> each : parts) {
            Set<String> unlabelled = new LinkedHashSet<>();
            for (int i = 0; i < each.size(); i++) {
                if (!isPage(each, i)) {
                    unlabelled.add(each.get(i));
                }
            }
            unlabelled.forEach(part -> inNames.merge(part, 1, Integer::sum));
        }
        List<FileName> read = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            read.add(read(names.get(i), parts.get(i), names.size() > 1 ? inNames : Map.of(), names.size()));
        }
        return withoutTitle(read, inNames, script);
    }

    /** Leaves out the words that all names have: a title, unless the files say the same of the same line. */
    private static List<FileName> withoutTitle(List<FileName> files, Map<String, Integer> inNames, Set<String> script) {
        if (files.size() < 2) {
            return files;
        }
        boolean allSayTheSame = files.stream().map(FileName::words).distinct().count() == 1;
        List<FileName> without = new ArrayList<>();
        for (FileName file : files) {
            Set<String> words = new LinkedHashSet<>(file.words);
            words.removeIf(word -> inNames.get(word) == files.size() && (allSayTheSame || !script.contains(word)));
            without.add(new FileName(file.name, file.page, file.numbers, words));
        }
        return without;
    }

    private static FileName read(String name, List<String> parts, Map<String, Integer> inNames, int files) {
        int page = 0;
        List<Integer> numbers = new ArrayList<>();
        Set<String> words = new LinkedHashSet<>();
        for (int i = 0; i < parts.size(); i++) {
            String part = parts.get(i);
            boolean number = Character.isDigit(part.charAt(0));
            if (page == 0 && isPage(parts, i)) {
                page = Integer.parseInt(part);
            } else if (number && part.length() <= MOST_DIGITS && inNames.getOrDefault(part, 0) != files) {
                numbers.add(Integer.parseInt(part));
            } else if (!number) {
                words.add(part);
            }
        }
        words.removeAll(PAGE_LABELS);
        return new FileName(name, page, numbers, words);
    }

    private static boolean isPage(List<String> parts, int i) {
        String part = parts.get(i);
        return i > 0
                && Character.isDigit(part.charAt(0))
                && part.length() <= MOST_DIGITS
                && PAGE_LABELS.contains(parts.get(i - 1));
    }

    /** The last number with at most so many digits, -1 when there is none. */
    int lastNumber(int mostDigits) {
        for (int i = numbers.size() - 1; i >= 0; i--) {
            if (numbers.get(i) < Math.pow(10, mostDigits)) {
                return numbers.get(i);
            }
        }
        return -1;
    }

    /** The words of a text as they are compared. */
    static Set<String> words(String text) {
        Set<String> words = new LinkedHashSet<>(partsOf(text));
        words.removeIf(part -> Character.isDigit(part.charAt(0)));
        return words;
    }

    private static List<String> parts(String name) {
        return partsOf(ENDING.matcher(name).replaceFirst(""));
    }

    private static List<String> partsOf(String text) {
        List<String> parts = new ArrayList<>();
        Matcher part = PART.matcher(Normalizer.normalize(text, Normalizer.Form.NFC)
                .toLowerCase(Locale.ROOT)
                .replace('’', '\''));
        while (part.find()) {
            parts.add(part.group());
        }
        return parts;
    }

    @Override
    public int compareTo(FileName other) {
        List<String> mine = parts(name);
        List<String> theirs = parts(other.name);
        for (int i = 0; i < Math.min(mine.size(), theirs.size()); i++) {
            int difference = compare(mine.get(i), theirs.get(i));
            if (difference != 0) {
                return difference;
            }
        }
        int length = Integer.compare(mine.size(), theirs.size());
        return length != 0 ? length : name.compareTo(other.name);
    }

    private static int compare(String one, String other) {
        boolean numbers = Character.isDigit(one.charAt(0)) && Character.isDigit(other.charAt(0));
        return numbers ? compareNumbers(one, other) : one.compareTo(other);
    }

    /** Of any length. */
    private static int compareNumbers(String one, String other) {
        String mine = LEADING_ZEROS.matcher(one).replaceFirst("");
        String theirs = LEADING_ZEROS.matcher(other).replaceFirst("");
        int length = Integer.compare(mine.length(), theirs.length());
        return length != 0 ? length : mine.compareTo(theirs);
    }
}
