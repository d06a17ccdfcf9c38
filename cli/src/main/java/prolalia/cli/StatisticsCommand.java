package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import prolalia.core.insight.QuestionStatistics;
import prolalia.core.insight.QuestionStatistics.ChoiceCount;
import prolalia.core.insight.Scored;
import prolalia.core.insight.TestStatistics;
import prolalia.formats.table.Table;
import tools.jackson.databind.json.JsonMapper;

/** What the answers to questions say of them, as JSON. */
@Command(
        name = "statistics",
        mixinStandardHelpOptions = true,
        description = {
            "Prints statistics of questions as JSON: facility, discrimination (upper less lower 27 % by points of the whole),",
            "point-biserial correlation (the question itself left out), how often each choice was taken by all, by the third with",
            "most points and the third with fewest, and Cronbach's alpha of all. Null stands for what is undefined. What a",
            "student didn't answer counts as 0; of several answers to a question the last one counts.",
            "Exit code 1 when the file can't be read, or some of its rows."
        })
final class StatisticsCommand implements Callable<Integer> {
    private static final int MOST_ROWS = 1_000_000;

    @Parameters(
            paramLabel = "RESPONSES.csv",
            description = {
                "CSV with the columns student, question, choice (or answer), points, most; without most, the most points that",
                "anybody got for the question."
            })
    private Path file;

    private final List<String> problems = new ArrayList<>();

    @Override
    public Integer call() {
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            if (!Files.isRegularFile(file)) {
                throw new NoSuchFileException(file.toString());
            }
            List<Scored> scored =
                    scored(Table.read(Files.readAllBytes(file), MOST_ROWS).rows());
            TestStatistics statistics = TestStatistics.of(scored);
            result.put(
                    "questions",
                    statistics.questions().stream()
                            .map(StatisticsCommand::question)
                            .toList());
            result.put("alpha", rounded(statistics.alpha()));
            result.put("students", statistics.students());
            result.put("small", statistics.isSmall());
            if (!problems.isEmpty()) {
                result.put("problems", problems);
                exit = 1;
            }
        } catch (Table.TooManyRowsException many) {
            result.put("error", FileMessages.say("mark.tooMany", MOST_ROWS));
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(new JsonMapper().writeValueAsString(result));
        return exit;
    }

    private static Map<String, Object> question(QuestionStatistics statistics) {
        Map<String, Object> question = new LinkedHashMap<>();
        question.put("question", statistics.question());
        question.put("answered", statistics.answered());
        question.put("most", statistics.most());
        question.put("facility", rounded(statistics.facility()));
        question.put("discrimination", rounded(statistics.discrimination()));
        question.put("pointBiserial", rounded(statistics.pointBiserial()));
        List<Map<String, Object>> choices = new ArrayList<>();
        for (ChoiceCount count : statistics.choices()) {
            Map<String, Object> choice = new LinkedHashMap<>();
            choice.put("choice", count.answer());
            choice.put("count", count.count());
            choice.put("share", rounded(count.share()));
            choice.put("upperThird", rounded(count.upperThird()));
            choice.put("lowerThird", rounded(count.lowerThird()));
            choices.add(choice);
        }
        question.put("choices", choices);
        return question;
    }

    private static Double rounded(Double value) {
        return value == null ? null : (Double) (Math.round(value * 1e6) / 1e6);
    }

    /** Where each column stands; -1: it isn't there. */
    private record Columns(int student, int question, int answer, int points, int most) {}

    private List<Scored> scored(List<List<String>> rows) {
        List<String> head = rows.isEmpty()
                ? List.of()
                : rows.get(0).stream()
                        .map(each -> each.strip().toLowerCase(Locale.ROOT))
                        .toList();
        Columns columns = new Columns(
                head.indexOf("student"),
                head.indexOf("question"),
                Math.max(head.indexOf("choice"), head.indexOf("answer")),
                head.indexOf("points"),
                head.indexOf("most"));
        if (columns.student() < 0 || columns.question() < 0 || columns.points() < 0) {
            problems.add(FileMessages.say("statistics.noColumns", String.join(", ", head)));
            return List.of();
        }
        Map<String, Double> highest = new LinkedHashMap<>();
        for (int i = 1; i < rows.size(); i++) {
            Double points = number(cell(rows.get(i), columns.points()));
            if (points != null) {
                highest.merge(cell(rows.get(i), columns.question()), points, Math::max);
            }
        }
        List<Scored> scored = new ArrayList<>();
        for (int i = 1; i < rows.size(); i++) {
            List<String> row = rows.get(i);
            if (row.stream().allMatch(String::isBlank)) {
                continue;
            }
            String question = cell(row, columns.question());
            Double points = number(cell(row, columns.points()));
            Double most = columns.most() < 0
                    ? Double.valueOf(Math.max(Double.MIN_NORMAL, highest.getOrDefault(question, 1.0)))
                    : number(cell(row, columns.most()));
            try {
                scored.add(
                        new Scored(cell(row, columns.student()), question, cell(row, columns.answer()), points, most));
            } catch (IllegalArgumentException | NullPointerException senseless) {
                problems.add(FileMessages.say("statistics.noPoints", i + 1));
            }
        }
        return scored;
    }

    private static String cell(List<String> row, int column) {
        return column < 0 || column >= row.size() ? "" : row.get(column).strip();
    }

    private static Double number(String written) {
        try {
            return written.isEmpty() ? null : Double.valueOf(written.replace(',', '.'));
        } catch (NumberFormatException none) {
            return null;
        }
    }
}
