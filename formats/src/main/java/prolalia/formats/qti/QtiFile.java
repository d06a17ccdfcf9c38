package prolalia.formats.qti;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.w3c.dom.Element;
import prolalia.core.script.ReadForm;
import prolalia.formats.lesson.ZipNames;
import prolalia.formats.qti.QtiItem.Cardinality;
import prolalia.formats.qti.QtiItem.Declaration;
import prolalia.formats.qti.QtiRefusedException.Reason;

/**
 * QTI 3.0: a package, or an item alone. Only what is in the file is looked at.
 *
 * <pre>{@code
 * QtiFile file = QtiFile.read(bytes);
 * ReadForm form = file.form();
 * QtiFile.Marked marked = file.mark("item-1", Map.of("RESPONSE", List.of("A")));
 * }</pre>
 */
public final class QtiFile {
    public static final int MOST_ITEMS = 2_000;
    private static final int LARGEST_ENTRY = 10 << 20;
    private static final long LARGEST_ALL = 200L << 20;

    private final Map<String, QtiItem> items;

    private QtiFile(Map<String, QtiItem> items) {
        this.items = items;
    }

    /**
     * What an answer is worth.
     *
     * @param rule by which rule of the item's own; {@code none}: it has none; {@code unknown}: one that isn't followed
     */
    public record Marked(double points, double most, String rule) {}

    public static boolean isZip(byte[] file) {
        return file.length > 3 && file[0] == 'P' && file[1] == 'K';
    }

    public static QtiFile read(byte[] file) throws QtiRefusedException {
        Map<String, QtiItem> items = new LinkedHashMap<>();
        if (isZip(file)) {
            try {
                readPackage(file, items);
            } catch (ZipException broken) {
                throw new QtiRefusedException(Reason.NOT_QTI);
            } catch (IOException broken) {
                throw new QtiRefusedException(Reason.NOT_QTI);
            }
        } else {
            add(QtiXml.root(file), items);
        }
        if (items.isEmpty()) {
            throw new QtiRefusedException(Reason.NO_ITEMS);
        }
        return new QtiFile(items);
    }

    private static void readPackage(byte[] file, Map<String, QtiItem> items) throws IOException, QtiRefusedException {
        long all = 0;
        try (ZipInputStream zip = ZipNames.stream(file)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.isDirectory()
                        || !entry.getName().toLowerCase(java.util.Locale.ROOT).endsWith(".xml")) {
                    continue;
                }
                byte[] content = zip.readNBytes(LARGEST_ENTRY + 1);
                all += content.length;
                if (content.length > LARGEST_ENTRY || all > LARGEST_ALL || items.size() >= MOST_ITEMS) {
                    throw new QtiRefusedException(Reason.TOO_LARGE);
                }
                add(QtiXml.root(content), items);
            }
        }
    }

    /** An item, or all those within another element. */
    private static void add(Element root, Map<String, QtiItem> items) {
        if (QtiXml.name(root).equals("qti-assessment-item")) {
            QtiItem item = QtiItem.of(root);
            items.put(item.identifier(), item);
        } else {
            QtiXml.all(root, "qti-assessment-item")
                    .map(QtiItem::of)
                    .forEach(item -> items.put(item.identifier(), item));
        }
    }

    public List<String> items() {
        return List.copyOf(items.keySet());
    }

    /** The questions as lines of a script. */
    public ReadForm form() {
        QtiForm form = new QtiForm();
        int number = 0;
        for (QtiItem item : items.values()) {
            form.add(++number, item);
        }
        return form.read();
    }

    /** The identifier of an item's only response, or of its first one. */
    public Optional<String> firstResponse(String itemId) {
        return Optional.ofNullable(items.get(itemId))
                .flatMap(item -> item.declarations().keySet().stream().findFirst());
    }

    /**
     * The values of a response as one cell of a table has them: several with a bar, a semicolon or a comma between them.
     *
     * @return none: it is empty
     */
    public List<String> values(String itemId, String responseId, String cell) {
        Declaration declaration = Optional.ofNullable(items.get(itemId))
                .map(item -> item.declarations().get(responseId))
                .orElse(null);
        String plain = cell.strip();
        if (plain.isEmpty() || declaration == null) {
            return List.of();
        }
        boolean several = declaration.cardinality() != Cardinality.SINGLE;
        boolean words = declaration.baseType().equals("string");
        boolean twos = List.of("pair", "directedPair", "point").contains(declaration.baseType());
        if (!several) {
            return List.of(twos ? plain.replaceAll("[\\s,]+", " ") : plain);
        }
        String between = words ? "\\s*[|;]\\s*" : twos ? "\\s*[|;,]\\s*" : "[\\s|;,]+";
        List<String> values = new ArrayList<>();
        Arrays.stream(plain.split(between)).filter(each -> !each.isBlank()).forEach(values::add);
        return values;
    }

    /** @return empty when there is no such item */
    public Optional<Marked> mark(String itemId, Map<String, List<String>> responses) {
        QtiItem item = items.get(itemId);
        if (item == null) {
            return Optional.empty();
        }
        try {
            QtiMarking.Score score = QtiMarking.mark(item, responses);
            return Optional.of(new Marked(score.points(), score.most(), score.rule()));
        } catch (QtiMarking.UnknownRuleException | IndexOutOfBoundsException unknown) {
            double most = Double.isNaN(item.normalMaximum()) ? 0 : item.normalMaximum();
            return Optional.of(new Marked(0, most, "unknown"));
        }
    }
}
