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
import prolalia.core.answer.Question;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadForm;
import prolalia.formats.qti.QtiRefusedException;
import prolalia.formats.questions.QuestionFile;
import tools.jackson.databind.json.JsonMapper;

/** The questions that would be made of a file, as JSON. */
@Command(
        name = "questions",
        mixinStandardHelpOptions = true,
        description = {
            "Prints what would be made of a list of questions as JSON: text (a numbered list with lettered choices), a table",
            "(CSV), or QTI 3 (a package, or an item). Exit code 1 when the file can't be read."
        })
final class QuestionsCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "Text, CSV, or QTI 3.")
    private Path file;

    @Override
    public Integer call() {
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            if (!Files.isRegularFile(file)) {
                throw new NoSuchFileException(file.toString());
            }
            ReadForm form = QuestionFile.read(
                    Files.readAllBytes(file), file.getFileName().toString());
            result.put("questions", questions(form.lines()));
            result.put(
                    "findings",
                    form.findings().stream().map(QuestionsCommand::finding).toList());
        } catch (QtiRefusedException refused) {
            result.put("error", FileMessages.of(refused.reason()));
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(new JsonMapper().writeValueAsString(result));
        return exit;
    }

    private static Map<String, Object> finding(ReadForm.RowFinding finding) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("row", finding.row());
        shown.put("finding", lower(finding.kind()));
        shown.put("detail", finding.detail());
        shown.put("words", FileMessages.of(finding));
        return shown;
    }

    private static String lower(Enum<?> name) {
        return name.name().toLowerCase(Locale.ROOT);
    }

    /** Each question with what stands under it. */
    private static List<Map<String, Object>> questions(List<ReadLine> lines) {
        List<Map<String, Object>> questions = new ArrayList<>();
        Map<String, Object> current = null;
        for (ReadLine line : lines) {
            switch (line.kind()) {
                case QUESTION -> {
                    current = question(line);
                    questions.add(current);
                }
                case CHOICE -> {
                    Map<String, Object> choice = new LinkedHashMap<>();
                    choice.put("words", line.words());
                    choice.put("right", line.traits().mark().right());
                    if (line.traits().mark().pair() > 0) {
                        choice.put("pair", line.traits().mark().pair());
                    }
                    under(current, questions, "choices").add(choice);
                }
                case HINT -> under(current, questions, "hints").add(line.words());
                case PRAISE -> under(current, questions, "praise").add(line.words());
                case CORRECTION -> under(current, questions, "corrections").add(line.words());
                default -> {
                    Map<String, Object> said = new LinkedHashMap<>();
                    said.put("kind", lower(line.kind()));
                    said.put("words", line.words());
                    questions.add(said);
                    current = null;
                }
            }
        }
        return questions;
    }

    @SuppressWarnings("unchecked")
    private static List<Object> under(Map<String, Object> current, List<Map<String, Object>> all, String part) {
        Map<String, Object> owner = current;
        if (owner == null) {
            owner = new LinkedHashMap<>();
            all.add(owner);
        }
        return (List<Object>) owner.computeIfAbsent(part, unseen -> new ArrayList<>());
    }

    private static Map<String, Object> question(ReadLine line) {
        Question question = line.traits().question();
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("kind", question == null ? "heard_only" : lower(question.kind()));
        shown.put("words", line.words());
        if (line.traits().label() != null) {
            shown.put("label", line.traits().label());
        }
        if (question != null) {
            shown.put("points", question.points());
            shown.put("required", question.required());
            if (!question.accepted().isEmpty()) {
                shown.put("accepted", question.accepted());
            }
            if (question.number() != null) {
                Map<String, Object> number = new LinkedHashMap<>();
                number.put("value", question.number().value());
                number.put("tolerance", question.number().tolerance());
                number.put("unit", question.number().unit());
                shown.put("number", number);
            }
        }
        return shown;
    }
}
