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
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.formats.qti.QtiFile;
import prolalia.formats.qti.QtiRefusedException;
import prolalia.formats.table.Table;
import tools.jackson.databind.json.JsonMapper;

/** What responses are worth by the rules of QTI items, as JSON. */
@Command(
        name = "mark",
        mixinStandardHelpOptions = true,
        description = {
            "Marks responses by the response processing of QTI 3 items and prints points as JSON.",
            "Exit code 1 when a file can't be read, or names what isn't there."
        })
final class MarkCommand implements Callable<Integer> {
    private static final int MOST_ROWS = 1_000_000;

    @Parameters(paramLabel = "PACKAGE.zip|ITEM.xml", description = "A QTI 3 package, or an item.")
    private Path items;

    @Option(
            names = "--responses",
            required = true,
            paramLabel = "R.csv",
            description = {
                "CSV with the columns student, question, answer. A question is an item's identifier, with a point and the",
                "response's identifier after it where it has several. Several values of an answer have | between them."
            })
    private Path responses;

    private final List<Map<String, Object>> marked = new ArrayList<>();
    private final Map<String, double[]> students = new LinkedHashMap<>();
    private final List<String> problems = new ArrayList<>();

    @Override
    public Integer call() {
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            for (Path file : List.of(items, responses)) {
                if (!Files.isRegularFile(file)) {
                    throw new NoSuchFileException(file.toString());
                }
            }
            mark(
                    QtiFile.read(Files.readAllBytes(items)),
                    Table.read(Files.readAllBytes(responses), MOST_ROWS).rows());
            result.put("responses", marked);
            List<Map<String, Object>> all = new ArrayList<>();
            students.forEach((student, sum) -> {
                Map<String, Object> each = new LinkedHashMap<>();
                each.put("student", student);
                each.put("points", number(sum[0]));
                each.put("most", number(sum[1]));
                all.add(each);
            });
            result.put("students", all);
            if (!problems.isEmpty()) {
                result.put("problems", problems);
                exit = 1;
            }
        } catch (QtiRefusedException refused) {
            result.put("error", FileMessages.of(refused.reason()));
            exit = 1;
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

    private static Object number(double points) {
        double plain = Math.round(points * 1e6) / 1e6;
        return plain == Math.rint(plain) ? (Object) (long) plain : (Object) plain;
    }

    /** What one student answered to one item. */
    private record Of(String student, String item) {}

    private void mark(QtiFile qti, List<List<String>> rows) {
        int[] columns = columns(rows);
        if (columns == null) {
            return;
        }
        Map<Of, Map<String, List<String>>> given = new LinkedHashMap<>();
        for (int i = 1; i < rows.size(); i++) {
            String student = cell(rows.get(i), columns[0]);
            String question = cell(rows.get(i), columns[1]);
            String answer = cell(rows.get(i), columns[2]);
            String item = qti.items().contains(question) || !question.contains(".")
                    ? question
                    : question.substring(0, question.lastIndexOf('.'));
            String response = item.equals(question)
                    ? qti.firstResponse(item).orElse("RESPONSE")
                    : question.substring(item.length() + 1);
            if (!qti.items().contains(item)) {
                problems.add(FileMessages.say("mark.noItem", i + 1, question));
                continue;
            }
            given.computeIfAbsent(new Of(student, item), unseen -> new LinkedHashMap<>())
                    .put(response, qti.values(item, response, answer));
        }
        given.forEach((of, values) -> {
            QtiFile.Marked points = qti.mark(of.item(), values).orElseThrow();
            Map<String, Object> each = new LinkedHashMap<>();
            each.put("student", of.student());
            each.put("question", of.item());
            each.put("points", number(points.points()));
            each.put("most", number(points.most()));
            each.put("rule", points.rule());
            marked.add(each);
            double[] sum = students.computeIfAbsent(of.student(), unseen -> new double[2]);
            sum[0] += points.points();
            sum[1] += points.most();
        });
    }

    private int[] columns(List<List<String>> rows) {
        List<String> head = rows.isEmpty()
                ? List.of()
                : rows.get(0).stream()
                        .map(each -> each.strip().toLowerCase(Locale.ROOT))
                        .toList();
        int[] columns = {head.indexOf("student"), head.indexOf("question"), head.indexOf("answer")};
        for (int column : columns) {
            if (column < 0) {
                problems.add(FileMessages.say("mark.noColumns", String.join(", ", head)));
                return null;
            }
        }
        return columns;
    }

    private static String cell(List<String> row, int column) {
        return column < row.size() ? row.get(column).strip() : "";
    }
}
