package prolalia.formats.qti;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;
import prolalia.formats.qti.QtiItem.Areas;
import prolalia.formats.qti.QtiItem.Cardinality;
import prolalia.formats.qti.QtiItem.Declaration;
import prolalia.formats.qti.QtiItem.Mapping;

/**
 * What answers are worth by an item's own response processing (QTI 3.0 ASI, 2.11 and 5.119): its templates, and rules of its own
 * as far as they are made of conditions, comparisons, mappings and sums. Stateless.
 */
final class QtiMarking {
    private final QtiItem item;
    private final Map<String, List<String>> responses;
    private final Map<String, Object> outcomes = new HashMap<>();

    private QtiMarking(QtiItem item, Map<String, List<String>> responses) {
        this.item = item;
        this.responses = responses;
        outcomes.put("SCORE", 0.0);
    }

    /**
     * What an answer is worth.
     *
     * @param most what a right answer is worth
     * @param rule by which: match_correct, map_response, map_response_point, own; none: nothing tells
     */
    record Score(double points, double most, String rule) {}

    /** A rule that isn't followed here. */
    static final class UnknownRuleException extends RuntimeException {
        private static final long serialVersionUID = 1;

        UnknownRuleException(String name) {
            super(name);
        }
    }

    /**
     * @param responses the values of each response, by its identifier
     * @throws UnknownRuleException when the item has rules that aren't followed here
     */
    static Score mark(QtiItem item, Map<String, List<String>> responses) {
        String rule = rule(item);
        if (rule.equals("none")) {
            return new Score(0, Double.isNaN(item.normalMaximum()) ? 0 : item.normalMaximum(), rule);
        }
        double points = new QtiMarking(item, responses).score(rule);
        return new Score(round(points), round(most(item, rule)), rule);
    }

    /** The right answer of each response, as far as it is told. */
    static Map<String, List<String>> right(QtiItem item) {
        Map<String, List<String>> right = new HashMap<>();
        item.declarations().values().forEach(each -> right.put(each.identifier(), best(each)));
        return right;
    }

    /** What an outcome is after an answer; null: nothing, or nothing that is followed here. */
    static Object outcome(QtiItem item, Map<String, List<String>> responses, String identifier) {
        try {
            QtiMarking marking = new QtiMarking(item, responses);
            marking.score(rule(item));
            return marking.outcomes.get(identifier);
        } catch (UnknownRuleException | IndexOutOfBoundsException unknown) {
            return null;
        }
    }

    private static double round(double points) {
        return Math.round(points * 1e6) / 1e6;
    }

    private static String rule(QtiItem item) {
        if (item.processing() == null) {
            return "none";
        }
        String template =
                item.processing().getAttribute("template").replaceAll(".*/", "").replace(".xml", "");
        for (String known : List.of("match_correct", "map_response_point", "map_response")) {
            if (template.startsWith(known)) {
                return known;
            }
        }
        return template.isEmpty() && !QtiXml.children(item.processing()).isEmpty() ? "own" : "none";
    }

    private static double most(QtiItem item, String rule) {
        if (!Double.isNaN(item.normalMaximum())) {
            return item.normalMaximum();
        }
        Declaration first = item.declarations().get("RESPONSE");
        if (rule.equals("match_correct")) {
            return 1;
        }
        double most = 0;
        if (first != null && first.mapping() != null && !rule.equals("own")) {
            most = mostOf(first);
        } else if (first != null && first.areas() != null && rule.equals("map_response_point")) {
            double sum = first.areas().entries().stream()
                    .mapToDouble(Areas.Entry::value)
                    .filter(value -> value > 0)
                    .sum();
            most = Math.min(first.areas().upper(), sum);
        } else {
            most = new QtiMarking(item, right(item)).score(rule);
        }
        return most;
    }

    private static List<String> best(Declaration declaration) {
        if (!declaration.correct().isEmpty() || declaration.mapping() == null) {
            return declaration.correct();
        }
        List<Mapping.Entry> good = declaration.mapping().entries().stream()
                .filter(entry -> entry.value() > 0)
                .sorted((one, other) -> Double.compare(other.value(), one.value()))
                .toList();
        int most = declaration.cardinality() == Cardinality.SINGLE ? 1 : good.size();
        return good.stream().limit(most).map(Mapping.Entry::key).toList();
    }

    private static double mostOf(Declaration declaration) {
        var worth = declaration.mapping().entries().stream()
                .mapToDouble(Mapping.Entry::value)
                .filter(value -> value > 0);
        double most =
                declaration.cardinality() == Cardinality.SINGLE ? worth.max().orElse(0) : worth.sum();
        return Math.min(declaration.mapping().upper(), most);
    }

    private double score(String rule) {
        switch (rule) {
            case "match_correct" -> outcomes.put("SCORE", isCorrect("RESPONSE") ? 1.0 : 0.0);
            case "map_response" -> outcomes.put("SCORE", mapped("RESPONSE"));
            case "map_response_point" -> outcomes.put("SCORE", mappedPoint("RESPONSE"));
            default -> run(QtiXml.children(item.processing()));
        }
        return outcomes.get("SCORE") instanceof Number score ? score.doubleValue() : 0;
    }

    // ---- rules of its own

    /** @return whether it goes on */
    private boolean run(List<Element> rules) {
        for (Element rule : rules) {
            switch (QtiXml.name(rule)) {
                case "qti-response-condition" -> {
                    if (!condition(rule)) {
                        return false;
                    }
                }
                case "qti-set-outcome-value" ->
                    outcomes.put(
                            rule.getAttribute("identifier"),
                            single(value(QtiXml.children(rule).get(0))));
                case "qti-response-processing-fragment" -> {
                    if (!run(QtiXml.children(rule))) {
                        return false;
                    }
                }
                case "qti-exit-response" -> {
                    return false;
                }
                default -> throw new UnknownRuleException(QtiXml.name(rule));
            }
        }
        return true;
    }

    private boolean condition(Element condition) {
        for (Element branch : QtiXml.children(condition)) {
            List<Element> parts = QtiXml.children(branch);
            if (QtiXml.name(branch).equals("qti-response-else")) {
                return run(parts);
            }
            if (parts.isEmpty()) {
                continue;
            }
            if (isTrue(value(parts.get(0)))) {
                return run(parts.subList(1, parts.size()));
            }
        }
        return true;
    }

    private static boolean isTrue(List<Object> value) {
        return value.size() == 1 && Boolean.TRUE.equals(value.get(0));
    }

    private static Object single(List<Object> value) {
        return value.isEmpty() ? null : value.get(0);
    }

    /** The values of an expression; none: NULL. */
    private List<Object> value(Element expression) {
        List<Element> parts = QtiXml.children(expression);
        String identifier = expression.getAttribute("identifier");
        return switch (QtiXml.name(expression)) {
            case "qti-base-value" ->
                List.of(QtiItem.typed(expression.getAttribute("base-type"), QtiXml.words(expression)));
            case "qti-variable" -> variable(identifier);
            case "qti-correct" ->
                declaration(identifier).typed(declaration(identifier).correct());
            case "qti-map-response" -> List.of(mapped(identifier));
            case "qti-map-response-point" -> List.of(mappedPoint(identifier));
            case "qti-is-null" -> List.of(value(parts.get(0)).isEmpty());
            case "qti-not" -> List.of(!isTrue(value(parts.get(0))));
            case "qti-and" -> List.of(parts.stream().allMatch(part -> isTrue(value(part))));
            case "qti-or" -> List.of(parts.stream().anyMatch(part -> isTrue(value(part))));
            case "qti-match" -> match(parts);
            case "qti-string-match" -> List.of(stringMatch(expression, parts));
            case "qti-equal", "qti-equal-rounded" -> List.of(equal(expression, parts));
            case "qti-gt" -> compare(parts, 1, false);
            case "qti-gte" -> compare(parts, 1, true);
            case "qti-lt" -> compare(parts, -1, false);
            case "qti-lte" -> compare(parts, -1, true);
            case "qti-sum" ->
                List.of(numbers(parts).stream().mapToDouble(each -> each).sum());
            case "qti-product" ->
                List.of(numbers(parts).stream().mapToDouble(each -> each).reduce(1, (one, other) -> one * other));
            case "qti-subtract" ->
                List.of(numbers(parts).get(0) - numbers(parts).get(1));
            case "qti-divide" ->
                numbers(parts).get(1) == 0
                        ? List.of()
                        : List.of(numbers(parts).get(0) / numbers(parts).get(1));
            case "qti-member" -> List.of(value(parts.get(1)).contains(single(value(parts.get(0)))));
            case "qti-contains" -> List.of(contains(value(parts.get(0)), value(parts.get(1))));
            case "qti-multiple", "qti-ordered" ->
                parts.stream().flatMap(part -> value(part).stream()).toList();
            case "qti-container-size" -> List.of((double) value(parts.get(0)).size());
            case "qti-null" -> List.of();
            default -> throw new UnknownRuleException(QtiXml.name(expression));
        };
    }

    private List<Object> variable(String identifier) {
        if (item.declarations().containsKey(identifier)) {
            return declaration(identifier).typed(given(identifier));
        }
        Object outcome = outcomes.get(identifier);
        return outcome == null ? List.of() : List.of(outcome);
    }

    private Declaration declaration(String identifier) {
        Declaration declaration = item.declarations().get(identifier);
        if (declaration == null) {
            throw new UnknownRuleException(identifier);
        }
        return declaration;
    }

    private List<String> given(String identifier) {
        return responses.getOrDefault(identifier, List.of());
    }

    private List<Object> match(List<Element> parts) {
        List<Object> one = value(parts.get(0));
        List<Object> other = value(parts.get(1));
        if (one.isEmpty() || other.isEmpty()) {
            return List.of();
        }
        boolean ordered = parts.stream().anyMatch(this::isOrdered);
        return List.of(ordered ? one.equals(other) : sameWhateverTheOrder(one, other));
    }

    private boolean isOrdered(Element part) {
        Declaration declaration = item.declarations().get(part.getAttribute("identifier"));
        return declaration != null && declaration.cardinality() == Cardinality.ORDERED;
    }

    private static boolean sameWhateverTheOrder(List<Object> one, List<Object> other) {
        List<Object> left = new ArrayList<>(other);
        return one.size() == other.size() && one.stream().allMatch(left::remove);
    }

    private static boolean contains(List<Object> whole, List<Object> part) {
        List<Object> left = new ArrayList<>(whole);
        return !part.isEmpty() && part.stream().allMatch(left::remove);
    }

    private boolean stringMatch(Element expression, List<Element> parts) {
        String one = String.valueOf(single(value(parts.get(0))));
        String other = String.valueOf(single(value(parts.get(1))));
        boolean exact = !expression.getAttribute("case-sensitive").equals("false");
        boolean substring = expression.getAttribute("substring").equals("true");
        if (!exact) {
            one = one.toLowerCase(java.util.Locale.ROOT);
            other = other.toLowerCase(java.util.Locale.ROOT);
        }
        return substring ? one.contains(other) : one.equals(other);
    }

    private boolean equal(Element expression, List<Element> parts) {
        List<Double> two = numbers(parts);
        List<Double> tolerance = QtiItem.coords(expression.getAttribute("tolerance"));
        double below = tolerance.isEmpty() ? 0 : tolerance.get(0);
        double above = tolerance.size() > 1 ? tolerance.get(1) : below;
        if (expression.getAttribute("tolerance-mode").equals("relative")) {
            below = Math.abs(two.get(0)) * below / 100;
            above = Math.abs(two.get(0)) * above / 100;
        }
        return two.size() == 2 && two.get(1) >= two.get(0) - below && two.get(1) <= two.get(0) + above;
    }

    private List<Object> compare(List<Element> parts, int sign, boolean orEqual) {
        List<Double> two = numbers(parts);
        if (two.size() < 2) {
            return List.of();
        }
        int compared = Double.compare(two.get(0), two.get(1));
        return List.of(compared == sign || orEqual && compared == 0);
    }

    private List<Double> numbers(List<Element> parts) {
        return parts.stream()
                .flatMap(part -> value(part).stream())
                .filter(Number.class::isInstance)
                .map(each -> ((Number) each).doubleValue())
                .toList();
    }

    // ---- mappings

    private boolean isCorrect(String identifier) {
        Declaration declaration = declaration(identifier);
        List<Object> given = declaration.typed(given(identifier));
        List<Object> correct = declaration.typed(declaration.correct());
        if (given.isEmpty() || correct.isEmpty()) {
            return false;
        }
        return declaration.cardinality() == Cardinality.ORDERED
                ? given.equals(correct)
                : sameWhateverTheOrder(given, correct);
    }

    private double mapped(String identifier) {
        Declaration declaration = declaration(identifier);
        Mapping mapping = declaration.mapping();
        if (mapping == null || given(identifier).isEmpty()) {
            return 0;
        }
        // A value that is given several times counts once (QTI 3.0 ASI, 5.96).
        Set<Object> met = new LinkedHashSet<>();
        double sum = 0;
        for (String value : given(identifier)) {
            if (met.add(QtiItem.typed(declaration.baseType(), value))) {
                sum += worth(declaration, mapping, value);
            }
        }
        return Math.max(mapping.lower(), Math.min(mapping.upper(), sum));
    }

    private static double worth(Declaration declaration, Mapping mapping, String value) {
        Object given = QtiItem.typed(declaration.baseType(), value);
        return mapping.entries().stream()
                .filter(entry ->
                        QtiItem.typed(declaration.baseType(), entry.key()).equals(given)
                                || !entry.caseSensitive() && entry.key().equalsIgnoreCase(value))
                .mapToDouble(Mapping.Entry::value)
                .findFirst()
                .orElse(mapping.defaultValue());
    }

    private double mappedPoint(String identifier) {
        Areas areas = declaration(identifier).areas();
        if (areas == null || given(identifier).isEmpty()) {
            return 0;
        }
        Set<Areas.Entry> left = new LinkedHashSet<>(areas.entries());
        double sum = 0;
        for (String value : given(identifier)) {
            List<Double> point = QtiItem.coords(value);
            Areas.Entry hit = point.size() < 2
                    ? null
                    : left.stream()
                            .filter(area -> area.holds(point.get(0), point.get(1)))
                            .findFirst()
                            .orElse(null);
            boolean again = hit == null
                    && point.size() > 1
                    && areas.entries().stream().anyMatch(area -> area.holds(point.get(0), point.get(1)));
            if (hit != null) {
                left.remove(hit);
                sum += hit.value();
            } else if (!again) {
                sum += areas.defaultValue();
            }
        }
        return Math.max(areas.lower(), Math.min(areas.upper(), sum));
    }
}
