package prolalia.core.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;

/**
 * How the questions of a page would be answered, told from what stands under them: choices are chosen from; a blank in the
 * question, or a row under it, is typed into; several rows are written on. What is right isn't told by a paper. Stateless.
 */
public final class ProposedAnswers {
    private static final Pattern BLANK = Pattern.compile("(?:_\\s?){3,}|\\.{5,}|\u2026{2,}|[\u2013\u2014]{3,}");

    /** A row to write on is hardly ever higher, by the height of its page. */
    private static final double HIGHEST_ROW = 0.05;

    /** A rule is thin: what is written stands above it. */
    private static final double LEAST_HEIGHT = 0.03;

    private ProposedAnswers() {}

    /**
     * How a question is answered.
     *
     * @param places where on the page; none: on its choices, or under its words
     */
    public record Answer(Question question, List<Area> places) {}

    /** @param lines all that are proposed for a page, in reading order @return by the ids of questions; of others nothing is told */
    public static Map<String, Answer> of(List<ProposedLine> lines) {
        Map<String, Answer> answers = new LinkedHashMap<>();
        for (int i = 0; i < lines.size(); i++) {
            ProposedLine line = lines.get(i);
            if (line.kind() == FoundKind.QUESTION && line.wanted()) {
                Answer answer = answer(line, under(lines, i + 1));
                if (answer != null) {
                    answers.put(line.id(), answer);
                }
            }
        }
        return answers;
    }

    private static List<ProposedLine> under(List<ProposedLine> lines, int from) {
        List<ProposedLine> under = new ArrayList<>();
        for (ProposedLine line : lines.subList(from, lines.size())) {
            if (line.kind() != FoundKind.CHOICE && line.kind() != FoundKind.BLANK) {
                break;
            }
            under.add(line);
        }
        return under;
    }

    private static Answer answer(ProposedLine question, List<ProposedLine> under) {
        long choices = under.stream()
                .filter(line -> line.kind() == FoundKind.CHOICE && line.wanted())
                .count();
        if (choices > 1) {
            return new Answer(Question.of(AnswerKind.ONE_CHOICE), List.of());
        }
        List<Area> inWords = question.words().words().stream()
                .filter(word -> BLANK.matcher(word.text()).find())
                .map(PlacedWord::area)
                .toList();
        if (!inWords.isEmpty()) {
            return new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of(toWriteIn(inWords.get(0))));
        }
        List<Area> rows = under.stream()
                .filter(line -> line.kind() == FoundKind.BLANK && line.hasPlace())
                .map(ProposedLine::area)
                .toList();
        if (rows.size() == 1 && rows.get(0).h() <= HIGHEST_ROW) {
            return new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of(toWriteIn(rows.get(0))));
        }
        if (!rows.isEmpty()) {
            Area all = rows.stream().reduce(Area::with).orElseThrow();
            return new Answer(Question.of(AnswerKind.LONG_TEXT), List.of(toWriteIn(all)));
        }
        return BLANK.matcher(question.text()).find()
                ? new Answer(Question.of(AnswerKind.SHORT_WORDS), List.of())
                : null;
    }

    private static Area toWriteIn(Area rule) {
        double grows = Math.max(0, LEAST_HEIGHT - rule.h());
        return new Area(rule.x(), Math.max(0, rule.y() - grows), rule.w(), rule.h() + grows).onPage();
    }
}
