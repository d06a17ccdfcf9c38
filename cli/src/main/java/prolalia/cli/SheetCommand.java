package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.SheetGrid;
import prolalia.core.code.SheetGrid.MisfitException;
import prolalia.core.code.SheetPaper;
import prolalia.formats.code.CodeList;
import prolalia.formats.code.CodeSheet;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.code.SheetPdf;
import prolalia.formats.table.Table.TooManyRowsException;
import tools.jackson.databind.json.JsonMapper;

/** A sheet of codes to print. */
@Command(
        name = "sheet",
        mixinStandardHelpOptions = true,
        description = {
            "Makes a PDF of codes from a CSV: a row for each, with its name, its address and, if there is one, what is typed in its",
            "place. Prints JSON: how many were drawn on how many sheets, and those that were left out, with the reason. Exit code 1",
            "when nothing was written."
        })
final class SheetCommand implements Callable<Integer> {
    private static final Pattern MEASURES = Pattern.compile("(\\d+)[xX×](\\d+)((?:,[0-9.]+)*)");
    private static final double MARGIN_MM = 10;

    @Parameters(
            paramLabel = "LIST.csv",
            description = "Name, address[, typed code]; a first row without an address is a heading.")
    private Path list;

    @Option(names = "--paper", defaultValue = "a4", description = "a4 or letter (${DEFAULT-VALUE}).")
    private SheetPaper paper;

    @Option(names = "--layout", defaultValue = "grid", description = "grid, labels, cards or signs (${DEFAULT-VALUE}).")
    private Layout layout;

    @Option(
            names = "--labels",
            description = {
                "COLSxROWS, and in mm, after commas: the margin (or left and top margins); width and height of a label; and from",
                "one label to the next, across and down. What isn't given follows from the paper. Example: 3x7,7.2,15.2,63.5,38.1,66,38.1"
            })
    private String labels;

    @Option(
            names = "--start",
            defaultValue = "1",
            description = "The first label that isn't used up yet (${DEFAULT-VALUE}).")
    private int start;

    @Option(
            names = {"-o", "--output"},
            required = true,
            description = "The PDF that is written.")
    private Path output;

    @Override
    public Integer call() {
        System.setProperty("java.awt.headless", "true");
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            write(result);
        } catch (MisfitException misfit) {
            result.put("error", FileMessages.say("sheet." + misfit.misfit().name()));
            exit = 1;
        } catch (TooManyRowsException tooMany) {
            result.put("error", FileMessages.say("sheet.TOO_MANY"));
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        exit = result.containsKey("error") ? 1 : exit;
        System.out.println(new JsonMapper().writeValueAsString(result));
        return exit;
    }

    private void write(Map<String, Object> result) throws IOException, MisfitException, TooManyRowsException {
        if (!Files.isRegularFile(list)) {
            throw new NoSuchFileException(list.toString());
        }
        SheetGrid grid = grid();
        List<Item> items = CodeList.read(Files.readAllBytes(list));
        if (grid == null || start < 1 || start > grid.perSheet() || items.isEmpty()) {
            String why = grid == null ? "sheet.NO_CELLS" : items.isEmpty() ? "sheet.NO_ROWS" : "sheet.NO_START";
            result.put("error", FileMessages.say(why));
            return;
        }
        CodeSheet sheet = CodeSheet.of(items, layout, grid, start - 1);
        if (sheet.leftOut().size() == items.size()) {
            result.put("error", FileMessages.say("sheet.TOO_SMALL"));
            return;
        }
        Files.write(output, SheetPdf.of(sheet, list.getFileName().toString()));
        result.put("sheets", sheet.sheets().size());
        result.put("codes", items.size() - sheet.leftOut().size());
        List<Object> left = new ArrayList<>();
        for (Item item : sheet.leftOut()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("name", item.name());
            one.put("address", item.address());
            one.put("why", FileMessages.say("sheet.TOO_SMALL"));
            left.add(one);
        }
        result.put("left", left);
    }

    /** Null: it can't be read. */
    private SheetGrid grid() throws MisfitException {
        if (labels == null) {
            return CodeCard.grid(layout, paper);
        }
        Matcher measures = MEASURES.matcher(labels.strip());
        if (!measures.matches()) {
            return null;
        }
        int columns = Integer.parseInt(measures.group(1));
        int rows = Integer.parseInt(measures.group(2));
        double[] mm = Arrays.stream(measures.group(3).split(","))
                .filter(each -> !each.isBlank())
                .mapToDouble(Double::parseDouble)
                .toArray();
        return switch (mm.length) {
            case 0 -> SheetGrid.filling(paper, columns, rows, MARGIN_MM);
            case 1 -> SheetGrid.filling(paper, columns, rows, mm[0]);
            case 2 -> SheetGrid.within(paper, columns, rows, mm[0], mm[1]);
            case 4 -> SheetGrid.measured(paper, columns, rows, mm[0], mm[1], mm[2], mm[3], mm[2], mm[3]);
            case 6 -> SheetGrid.measured(paper, columns, rows, mm[0], mm[1], mm[2], mm[3], mm[4], mm[5]);
            default -> null;
        };
    }
}
