package prolalia.core.script;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineState;
import prolalia.core.lesson.SpokenWords;

/**
 * How much of a script is voiced. Lines without a word to say (only icons, or still empty) aren't counted.
 *
 * @param lines all lines with words
 * @param voicedLines those whose kept take says their words
 * @param outdatedLines those whose words changed after the take
 * @param doubtfulLines those whose kept take the sound check found something in
 * @param words all words
 * @param voicedWords words on voiced lines
 */
public record Coverage(int lines, int voicedLines, int outdatedLines, int doubtfulLines, int words, int voicedWords) {
    public static Coverage of(Collection<Line> script) {
        int lines = 0;
        int voiced = 0;
        int outdated = 0;
        int doubtful = 0;
        int words = 0;
        int voicedWords = 0;
        for (Line line : script) {
            int count = SpokenWords.of(line.words()).size();
            if (count == 0) {
                continue;
            }
            lines++;
            words += count;
            LineState state = line.state();
            if (state == LineState.VOICED) {
                voiced++;
                voicedWords += count;
            } else if (state == LineState.OUTDATED) {
                outdated++;
            } else if (state == LineState.DOUBTFUL) {
                doubtful++;
            }
        }
        return new Coverage(lines, voiced, outdated, doubtful, words, voicedWords);
    }

    /** The coverage of each kind of line that the script has, in the order of the kinds. */
    public static Map<LineKind, Coverage> byKind(Collection<Line> script) {
        Map<LineKind, Coverage> byKind = new EnumMap<>(LineKind.class);
        for (LineKind kind : LineKind.values()) {
            Coverage coverage =
                    of(script.stream().filter(line -> line.kind() == kind).toList());
            if (coverage.lines() > 0) {
                byKind.put(kind, coverage);
            }
        }
        return byKind;
    }

    /**
     * The state of each line with words, in order. Of a script longer than {@code most}, each mark stands for a stretch
     * of about as many lines, and shows what there needs the teacher most: silent before outdated before doubtful.
     */
    public static List<LineState> marks(Collection<Line> script, int most) {
        List<LineState> states =
                script.stream().filter(Line::isSayable).map(Line::state).toList();
        if (states.size() <= most) {
            return states;
        }
        List<LineState> marks = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            int start = (int) ((long) i * states.size() / most);
            int end = (int) ((long) (i + 1) * states.size() / most);
            marks.add(mostUrgent(states.subList(start, end)));
        }
        return marks;
    }

    private static LineState mostUrgent(List<LineState> states) {
        return List.of(LineState.SILENT, LineState.OUTDATED, LineState.DOUBTFUL).stream()
                .filter(states::contains)
                .findFirst()
                .orElse(LineState.VOICED);
    }

    /** 0 to 100; 100 only when every word is voiced. */
    public int percentOfWords() {
        return words == 0 ? 0 : (int) (100L * voicedWords / words);
    }

    public int silentLines() {
        return lines - voicedLines - outdatedLines - doubtfulLines;
    }

    /** Voiced once, but outdated or doubtful now. */
    public int flaggedLines() {
        return outdatedLines + doubtfulLines;
    }

    /** Silent, outdated and doubtful together: what is still to be read. */
    public int linesToRead() {
        return lines - voicedLines;
    }

    public boolean complete() {
        return lines > 0 && voicedLines == lines;
    }
}
