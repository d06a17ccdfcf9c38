package prolalia.formats.code;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import prolalia.formats.code.CodeSheet.Item;
import prolalia.formats.table.Table;
import prolalia.formats.table.Table.TooManyRowsException;

/** A list of codes as CSV (RFC 4180): name, address, and what is typed in its place. Stateless. */
public final class CodeList {
    private static final int MOST = 10_000;

    private CodeList() {}

    /**
     * Rows without an address are passed over, and so is a heading.
     *
     * @throws TooManyRowsException when there are more than anybody prints
     */
    public static List<Item> read(byte[] csv) throws IOException, TooManyRowsException {
        List<Item> items = new ArrayList<>();
        for (List<String> row : Table.read(csv, MOST).rows()) {
            String address = row.size() > 1 ? row.get(1) : "";
            boolean heading = items.isEmpty() && !address.contains(":") && !address.contains("/");
            if (!address.isBlank() && !heading) {
                items.add(new Item(row.get(0), address, row.size() > 2 ? row.get(2) : "", null));
            }
        }
        return items;
    }

    public static byte[] write(List<Item> items) {
        StringBuilder csv = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180;
        csv.append(format.format("name", "address", "typed")).append("\r\n");
        for (Item item : items) {
            csv.append(format.format(item.name(), item.address(), item.typed())).append("\r\n");
        }
        return csv.toString().getBytes(StandardCharsets.UTF_8);
    }
}
