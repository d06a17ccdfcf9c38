package prolalia.core.published;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.sound.Span;

/** The single words that are said in a lesson, so that what a child wrote can be said to her in her teacher's voice. */
public final class SaidWords {
    /** What is only heard after an answer. */
    private static final Set<LineKind> AFTERWARDS = EnumSet.of(LineKind.PRAISE, LineKind.CORRECTION);

    private SaidWords() {}

    /** @param soundHash of the take that it is said in @param span of it */
    public record Said(String soundHash, Span span) {}

    /**
     * Each word as {@link SpokenWords} has it, with the first place where it is said.
     *
     * @param times of the words of a line that is heard; none where they aren't known
     */
    public static Map<String, Said> of(PublishedLesson lesson, Function<PublishedLine, List<Word>> times) {
        Map<String, Said> said = new TreeMap<>();
        lesson.lines()
                .filter(line ->
                        line.isHeard() && !AFTERWARDS.contains(line.line().kind()))
                .forEach(line -> times.apply(line).forEach(word -> {
                    List<String> plain = SpokenWords.of(word.text());
                    if (plain.size() == 1 && word.span().durationMs() > 0) {
                        said.putIfAbsent(plain.get(0), new Said(line.soundHash(), word.span()));
                    }
                }));
        return said;
    }
}
