package prolalia.formats.caption;

import java.util.List;
import java.util.Locale;
import prolalia.core.align.WordTimes.Word;

/** Writes WebVTT (W3C, Candidate Recommendation of 2019, section 4.1): captions for players of any make. */
public final class WebVtt {
    private static final String HEADER = "WEBVTT\n";

    private WebVtt() {}

    /**
     * One cue a word; words that take no time, such as a dash, have none.
     *
     * @param words in order of time
     */
    public static String ofWords(List<Word> words) {
        StringBuilder vtt = new StringBuilder(HEADER);
        for (Word word : words) {
            if (word.span().durationMs() > 0) {
                vtt.append('\n')
                        .append(time(word.span().startMs()))
                        .append(" --> ")
                        .append(time(word.span().endMs()))
                        .append('\n')
                        .append(escaped(word.text()))
                        .append('\n');
            }
        }
        return vtt.toString();
    }

    /**
     * The whole line as one cue, each word with the time from which it is said (4.2.2, WebVTT cue timestamps).
     *
     * @param words in order of time; may be empty
     */
    public static String ofLine(List<Word> words) {
        StringBuilder vtt = new StringBuilder(HEADER);
        if (words.isEmpty()) {
            return vtt.toString();
        }
        long start = words.get(0).span().startMs();
        long end = words.get(words.size() - 1).span().endMs();
        vtt.append('\n')
                .append(time(start))
                .append(" --> ")
                .append(time(Math.max(start + 1, end)))
                .append('\n');
        long last = start;
        for (int i = 0; i < words.size(); i++) {
            Word word = words.get(i);
            // Timestamps within a cue come after its start, and each after the one before.
            if (word.span().startMs() > last && word.span().startMs() < end) {
                vtt.append('<').append(time(word.span().startMs())).append('>');
                last = word.span().startMs();
            }
            vtt.append(escaped(word.text())).append(i + 1 < words.size() ? " " : "\n");
        }
        return vtt.toString();
    }

    private static String time(long ms) {
        return String.format(
                Locale.ROOT, "%02d:%02d:%02d.%03d", ms / 3_600_000, ms / 60_000 % 60, ms / 1_000 % 60, ms % 1_000);
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
