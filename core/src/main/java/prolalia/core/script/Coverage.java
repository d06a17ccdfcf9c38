package prolalia.core.script;

import java.util.Collection;
import prolalia.core.lesson.Line;
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

    public int silentLines() {
        return lines - voicedLines - outdatedLines - doubtfulLines;
    }

    /** Silent, outdated and doubtful together: what is still to be read. */
    public int linesToRead() {
        return lines - voicedLines;
    }

    public boolean complete() {
        return lines > 0 && voicedLines == lines;
    }
}
