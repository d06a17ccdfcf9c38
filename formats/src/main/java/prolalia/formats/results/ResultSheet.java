package prolalia.formats.results;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.CreationHelper;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Hyperlink;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/**
 * A table of results as CSV (RFC 4180, UTF-8 with a byte order mark, as spreadsheets want it) or as a workbook (ISO/IEC 29500).
 * What children typed is never taken for a formula.
 *
 * @param title of the workbook's sheet
 * @param rows one for each student
 */
public record ResultSheet(String title, List<String> head, List<List<Value>> rows) {
    private static final Pattern FORMULA = Pattern.compile("^[=+\\-@\\t\\r].*", Pattern.DOTALL);
    private static final Pattern NUMBER = Pattern.compile("-?[0-9]+(?:\\.[0-9]+)?");
    private static final Pattern NOT_IN_NAMES = Pattern.compile("[\\\\/?*\\[\\]:]");
    private static final int LONGEST_NAME = 31;
    private static final int LONGEST_CELL = 32_000;

    /**
     * A cell.
     *
     * @param number null: it is text
     * @param link where it leads; null: nowhere
     */
    public record Value(String text, Double number, String link) {
        public static Value of(String text) {
            return new Value(text, null, null);
        }

        public static Value of(double number) {
            return new Value("", number, null);
        }

        /** As text; what would be a formula stands after an apostrophe (OWASP: CSV injection). */
        private String plain() {
            if (number != null) {
                return number == Math.rint(number) ? String.valueOf(number.longValue()) : number.toString();
            }
            String all = link == null ? text : text + " " + link;
            return FORMULA.matcher(all).matches() && !NUMBER.matcher(all).matches() ? "'" + all : all;
        }
    }

    public byte[] csv() {
        StringBuilder out = new StringBuilder("\ufeff");
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(
                    head.stream().map(each -> Value.of(each).plain()).toList());
            for (List<Value> row : rows) {
                printer.printRecord(row.stream().map(Value::plain).toList());
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    public byte[] xlsx() {
        try (XSSFWorkbook workbook = new XSSFWorkbook();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            String plain = NOT_IN_NAMES.matcher(title).replaceAll(" ").strip();
            Sheet sheet = workbook.createSheet(
                    plain.isEmpty() ? "Results" : plain.substring(0, Math.min(LONGEST_NAME, plain.length())));
            CellStyle bold = workbook.createCellStyle();
            Font font = workbook.createFont();
            font.setBold(true);
            bold.setFont(font);
            bold.setWrapText(true);
            Row top = sheet.createRow(0);
            for (int i = 0; i < head.size(); i++) {
                Cell cell = top.createCell(i);
                cell.setCellValue(cut(head.get(i)));
                cell.setCellStyle(bold);
            }
            sheet.createFreezePane(1, 1);
            for (int i = 0; i < rows.size(); i++) {
                write(workbook, sheet.createRow(i + 1), rows.get(i));
            }
            workbook.write(out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private static void write(XSSFWorkbook workbook, Row row, List<Value> values) {
        CreationHelper create = workbook.getCreationHelper();
        for (int i = 0; i < values.size(); i++) {
            Value value = values.get(i);
            Cell cell = row.createCell(i);
            if (value.number() != null) {
                cell.setCellValue(value.number());
            } else {
                cell.setCellValue(cut(value.text()));
            }
            if (value.link() != null) {
                Hyperlink link = create.createHyperlink(HyperlinkType.URL);
                link.setAddress(value.link());
                cell.setHyperlink(link);
            }
        }
    }

    private static String cut(String text) {
        return text.length() > LONGEST_CELL ? text.substring(0, LONGEST_CELL) : text;
    }
}
