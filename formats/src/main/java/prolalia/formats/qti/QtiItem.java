package prolalia.formats.qti;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Element;

/**
 * An assessment item (QTI 3.0 ASI, 5.1).
 *
 * @param declarations of its responses, by their identifiers
 * @param processing how it is marked; null: nothing tells
 * @param body what is seen of it
 * @param normalMaximum of the outcome SCORE; NaN: it isn't told
 * @param feedback that is said after an answer
 */
record QtiItem(
        String identifier,
        String title,
        Map<String, Declaration> declarations,
        Element processing,
        Element body,
        double normalMaximum,
        List<Feedback> feedback) {
    /** Modal feedback of QTI 3.0 ASI. @param outcome whose value is the identifier when it is said */
    record Feedback(String outcome, String identifier, String words) {}

    /** How many values a response has, and whether their order matters. */
    enum Cardinality {
        SINGLE,
        MULTIPLE,
        ORDERED
    }

    /**
     * What a response is, and which one is right.
     *
     * @param baseType as QTI names it, such as identifier or directedPair
     * @param correct its right values; none: it isn't told
     * @param mapping what values are worth; null: it isn't told
     * @param areas what points are worth; null: it isn't told
     */
    record Declaration(
            String identifier,
            Cardinality cardinality,
            String baseType,
            List<String> correct,
            Mapping mapping,
            Areas areas) {
        /** Values as they are compared. */
        List<Object> typed(List<String> values) {
            return values.stream().map(value -> QtiItem.typed(baseType, value)).toList();
        }
    }

    /** (QTI 3.0 ASI, 5.94) */
    record Mapping(double defaultValue, double lower, double upper, List<Entry> entries) {
        record Entry(String key, double value, boolean caseSensitive) {}
    }

    /** (QTI 3.0 ASI, 5.5) @param coords in pixels of the picture */
    record Areas(double defaultValue, double lower, double upper, List<Entry> entries) {
        record Entry(String shape, List<Double> coords, double value) {
            /** @param x in pixels, like y */
            boolean holds(double x, double y) {
                List<Double> at = coords;
                return switch (shape) {
                    case "rect" ->
                        at.size() == 4 && x >= at.get(0) && y >= at.get(1) && x <= at.get(2) && y <= at.get(3);
                    case "circle" -> at.size() == 3 && Math.hypot(x - at.get(0), y - at.get(1)) <= at.get(2);
                    case "poly" -> isInside(at, x, y);
                    case "default" -> true;
                    default -> false;
                };
            }

            /** By how often a ray crosses the edges (even-odd rule). */
            private static boolean isInside(List<Double> at, double x, double y) {
                boolean inside = false;
                int corners = at.size() / 2;
                for (int i = 0, j = corners - 1; i < corners; j = i++) {
                    double yi = at.get(2 * i + 1);
                    double yj = at.get(2 * j + 1);
                    boolean crosses = yi > y != yj > y
                            && x < (at.get(2 * j) - at.get(2 * i)) * (y - yi) / (yj - yi) + at.get(2 * i);
                    inside ^= crosses;
                }
                return inside;
            }
        }
    }

    static QtiItem of(Element item) {
        Map<String, Declaration> declarations = new LinkedHashMap<>();
        QtiXml.children(item, "qti-response-declaration")
                .forEach(each -> declarations.put(each.getAttribute("identifier"), declaration(each)));
        double maximum = QtiXml.children(item, "qti-outcome-declaration")
                .filter(each -> each.getAttribute("identifier").equals("SCORE"))
                .mapToDouble(each -> QtiXml.number(each, "normal-maximum", Double.NaN))
                .findFirst()
                .orElse(Double.NaN);
        if (Double.isNaN(maximum)) {
            maximum = QtiXml.children(item, "qti-outcome-declaration")
                    .filter(each -> each.getAttribute("identifier").equals("MAXSCORE"))
                    .flatMap(each -> QtiXml.all(each, "qti-value"))
                    .mapToDouble(QtiItem::number)
                    .findFirst()
                    .orElse(Double.NaN);
        }
        return new QtiItem(
                item.getAttribute("identifier"),
                item.getAttribute("title"),
                declarations,
                QtiXml.children(item, "qti-response-processing").findFirst().orElse(null),
                QtiXml.children(item, "qti-item-body").findFirst().orElse(item),
                maximum,
                QtiXml.children(item, "qti-modal-feedback")
                        .filter(each -> !each.getAttribute("show-hide").equals("hide"))
                        .map(each -> new Feedback(
                                each.getAttribute("outcome-identifier"),
                                each.getAttribute("identifier"),
                                QtiXml.words(each)))
                        .filter(each -> !each.words().isEmpty())
                        .toList());
    }

    private static double number(Element value) {
        try {
            return Double.parseDouble(QtiXml.words(value));
        } catch (NumberFormatException none) {
            return Double.NaN;
        }
    }

    private static Declaration declaration(Element each) {
        List<String> correct = QtiXml.children(each, "qti-correct-response")
                .flatMap(right -> QtiXml.children(right, "qti-value"))
                .map(QtiXml::words)
                .toList();
        Cardinality cardinality = switch (each.getAttribute("cardinality")) {
            case "multiple" -> Cardinality.MULTIPLE;
            case "ordered" -> Cardinality.ORDERED;
            default -> Cardinality.SINGLE;
        };
        return new Declaration(
                each.getAttribute("identifier"),
                cardinality,
                each.getAttribute("base-type"),
                correct,
                QtiXml.children(each, "qti-mapping")
                        .findFirst()
                        .map(QtiItem::mapping)
                        .orElse(null),
                QtiXml.children(each, "qti-area-mapping")
                        .findFirst()
                        .map(QtiItem::areas)
                        .orElse(null));
    }

    private static Mapping mapping(Element mapping) {
        return new Mapping(
                QtiXml.number(mapping, "default-value", 0),
                QtiXml.number(mapping, "lower-bound", Double.NEGATIVE_INFINITY),
                QtiXml.number(mapping, "upper-bound", Double.POSITIVE_INFINITY),
                QtiXml.children(mapping, "qti-map-entry")
                        .map(entry -> new Mapping.Entry(
                                entry.getAttribute("map-key").strip(),
                                QtiXml.number(entry, "mapped-value", 0),
                                !entry.getAttribute("case-sensitive").equals("false")))
                        .toList());
    }

    private static Areas areas(Element mapping) {
        return new Areas(
                QtiXml.number(mapping, "default-value", 0),
                QtiXml.number(mapping, "lower-bound", Double.NEGATIVE_INFINITY),
                QtiXml.number(mapping, "upper-bound", Double.POSITIVE_INFINITY),
                QtiXml.children(mapping, "qti-area-map-entry")
                        .map(entry -> new Areas.Entry(
                                entry.getAttribute("shape"),
                                coords(entry.getAttribute("coords")),
                                QtiXml.number(entry, "mapped-value", 0)))
                        .toList());
    }

    /** A value as it is compared. */
    static Object typed(String baseType, String value) {
        return switch (baseType) {
            case "integer", "float" -> numberIfAny(value);
            case "boolean" -> Boolean.parseBoolean(value);
            case "pair" -> new HashSet<>(List.of(value.split("\\s+")));
            default -> value;
        };
    }

    private static Object numberIfAny(String value) {
        try {
            return Double.parseDouble(value);
        } catch (NumberFormatException none) {
            return value;
        }
    }

    static List<Double> coords(String written) {
        List<Double> coords = new ArrayList<>();
        for (String each : written.split("[\\s,]+")) {
            if (each.matches("-?[0-9]+(?:\\.[0-9]+)?")) {
                coords.add(Double.parseDouble(each));
            }
        }
        return coords;
    }
}
