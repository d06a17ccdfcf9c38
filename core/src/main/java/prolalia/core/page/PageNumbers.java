package prolalia.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Pages as people write them: {@code 2-5, 8}, or {@code all}. */
public final class PageNumbers {
    private static final Pattern PART = Pattern.compile("(\\d{1,4})(?:\\s*[-\u2013]\\s*(\\d{1,4}))?");
    private static final String ALL = "all";

    private PageNumbers() {}

    /**
     * @param count of all pages
     * @return the pages, from 1, in order, each once; empty when it can't be read, or names a page that isn't there
     */
    public static Optional<List<Integer>> read(String written, int count) {
        TreeSet<Integer> pages = new TreeSet<>();
        String text = written.strip().toLowerCase(Locale.ROOT);
        for (String part : text.equals(ALL) ? new String[] {"1-" + count} : text.split("[,;]")) {
            Matcher range = PART.matcher(part.strip());
            if (!range.matches()) {
                return Optional.empty();
            }
            int first = Integer.parseInt(range.group(1));
            int last = range.group(2) == null ? first : Integer.parseInt(range.group(2));
            if (first < 1 || last > count || first > last) {
                return Optional.empty();
            }
            for (int page = first; page <= last; page++) {
                pages.add(page);
            }
        }
        return Optional.of(new ArrayList<>(pages));
    }
}
