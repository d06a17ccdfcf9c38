package prolalia.formats.table;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table that somebody saved: with commas, semicolons or tabs, in UTF-8, UTF-16 or the encoding of Western offices.
 *
 * @param rows those that aren't empty, with their cells
 * @param charset by which it was read
 */
public record Table(List<List<String>> rows, String charset) {
    private static final Charset LATIN = Charset.forName("windows-1252");
    private static final char[] DELIMITERS = {';', '\t', ','};

    /** There are more rows than anybody looks over. */
    public static final class TooManyRowsException extends Exception {
        private static final long serialVersionUID = 1;
    }

    /** @throws TooManyRowsException when there are more than {@code most} */
    public static Table read(byte[] file, int most) throws IOException, TooManyRowsException {
        Charset charset = charset(file);
        return new Table(rows(text(file, charset), most), charset.name());
    }

    /** The name of the encoding of a text. */
    public static String charsetOf(byte[] file) {
        return charset(file).name();
    }

    private static List<List<String>> rows(String text, int most) throws IOException, TooManyRowsException {
        List<List<String>> rows = new ArrayList<>();
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter(text))
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .setLenientEof(true)
                .setTrailingData(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord row : parser) {
                if (rows.size() > most) {
                    throw new TooManyRowsException();
                }
                List<String> cells = row.toList();
                if (cells.stream().anyMatch(cell -> !cell.isBlank())) {
                    rows.add(cells);
                }
            }
        }
        return rows;
    }

    /** What stands most often in the first line. */
    private static char delimiter(String text) {
        String first = text.lines().filter(line -> !line.isBlank()).findFirst().orElse("");
        char best = ',';
        long most = 0;
        for (char delimiter : DELIMITERS) {
            long times = first.chars().filter(letter -> letter == delimiter).count();
            if (times > most) {
                most = times;
                best = delimiter;
            }
        }
        return best;
    }

    private static String text(byte[] file, Charset charset) {
        String text = new String(file, charset);
        return text.startsWith("\ufeff") ? text.substring(1) : text;
    }

    /** By its mark, by the zeros of UTF-16, by being right in UTF-8; else that of Western offices. */
    private static Charset charset(byte[] file) {
        if (file.length > 1 && (file[0] & 0xff) == 0xff && (file[1] & 0xff) == 0xfe) {
            return StandardCharsets.UTF_16LE;
        }
        if (file.length > 1 && (file[0] & 0xff) == 0xfe && (file[1] & 0xff) == 0xff) {
            return StandardCharsets.UTF_16BE;
        }
        int looked = Math.min(file.length, 4_000);
        int even = 0;
        int odd = 0;
        for (int i = 0; i < looked; i++) {
            if (file[i] == 0) {
                even += i % 2 == 0 ? 1 : 0;
                odd += i % 2;
            }
        }
        if (even > looked / 8 || odd > looked / 8) {
            return odd > even ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
        }
        try {
            StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(file));
            return StandardCharsets.UTF_8;
        } catch (CharacterCodingException other) {
            return LATIN;
        }
    }
}
