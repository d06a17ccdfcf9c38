package prolalia.formats.results;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import prolalia.formats.results.ResultSheet.Value;

/** Answers leave the house as a table: as they were typed, and never as anything that is run. */
class ResultSheetTest {
    private final ResultSheet sheet = new ResultSheet(
            "Weather: [tools]*?",
            List.of("Child", "=1+1", "Points"),
            List.of(
                    List.of(Value.of("Zoë"), Value.of("=HYPERLINK(\"http://x\")"), Value.of(2.5)),
                    List.of(Value.of("Bo, \"B\""), Value.of("-3"), Value.of(3)),
                    List.of(Value.of("Ada"), new Value("1:20", null, "https://school/spoken/1.mp3"), Value.of(0))));

    @Test
    void csvIsTextThatASpreadsheetTakesForText() {
        String csv = new String(sheet.csv(), StandardCharsets.UTF_8);
        assertThat(csv).startsWith("\ufeffChild,'=1+1,Points\r\n");
        assertThat(csv.lines().skip(1))
                .containsExactly(
                        "Zoë,\"'=HYPERLINK(\"\"http://x\"\")\",2.5",
                        "\"Bo, \"\"B\"\"\",-3,3",
                        "Ada,1:20 https://school/spoken/1.mp3,0");
    }

    @Test
    void aWorkbookHasNumbersTextAndLinks() throws Exception {
        try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(sheet.xlsx()))) {
            Sheet read = workbook.getSheetAt(0);
            assertThat(read.getSheetName()).isEqualTo("Weather   tools");
            Cell typed = read.getRow(1).getCell(1);
            assertThat(typed.getCellType()).isEqualTo(CellType.STRING);
            assertThat(typed.getStringCellValue()).isEqualTo("=HYPERLINK(\"http://x\")");
            assertThat(read.getRow(1).getCell(2).getNumericCellValue()).isEqualTo(2.5);
            assertThat(read.getRow(3).getCell(1).getHyperlink().getAddress()).isEqualTo("https://school/spoken/1.mp3");
        }
    }

    @Test
    void whatIsTooLongForACellIsCutAndAnEmptyTableIsOne() throws Exception {
        ResultSheet odd = new ResultSheet("", List.of("Child"), List.of(List.of(Value.of("x".repeat(50_000)))));
        try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(odd.xlsx()))) {
            assertThat(workbook.getSheetAt(0).getRow(1).getCell(0).getStringCellValue())
                    .hasSize(32_000);
        }
        assertThat(new ResultSheet("t", List.of("Child"), List.of()).csv()).isNotEmpty();
    }
}
