package prolalia.core.answer;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import prolalia.core.answer.NumberKey.DecimalSign;

/**
 * What is right, as a teacher types it into one field: spellings with a stroke between them ("six / 6"), or a number with how far
 * an answer may be from it and its unit ("12 ± 0.5 cm", with an exclamation mark when the unit is needed: "12 cm!").
 */
public final class KeyText {
    private static final Pattern BETWEEN = Pattern.compile("\\s+/\\s+|\\s*[;\\n]\\s*");

    private KeyText() {}

    /** The accepted spellings. */
    public static List<String> accepted(String typed) {
        return Arrays.stream(BETWEEN.split(typed.strip()))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .toList();
    }

    public static String written(List<String> accepted) {
        return accepted.stream().collect(Collectors.joining(" / "));
    }

    /** @return empty when it is no number */
    public static Optional<NumberKey> number(String typed) {
        String plain = typed.strip();
        int tolerance = Math.max(plain.indexOf('±'), Math.max(plain.indexOf("+/-"), plain.indexOf("+-")));
        String value = tolerance < 0 ? plain.replace("!", "") : plain.substring(0, tolerance);
        List<WrittenNumber> read = WrittenNumber.readings(value, sign(value));
        if (read.isEmpty()) {
            return Optional.empty();
        }
        boolean needed = plain.endsWith("!");
        String unit = read.get(0).unit();
        BigDecimal within = BigDecimal.ZERO;
        if (tolerance >= 0) {
            String rest =
                    plain.substring(tolerance).replaceAll("^[±+/-]+\\s*", "").replace("!", "");
            List<WrittenNumber> far = WrittenNumber.readings(rest, sign(rest));
            if (far.isEmpty()) {
                return Optional.empty();
            }
            within = far.get(0).value().abs();
            unit = far.get(0).unit().isEmpty() ? unit : far.get(0).unit();
        }
        if (unit.length() > NumberKey.LONGEST_UNIT) {
            return Optional.empty();
        }
        return Optional.of(
                new NumberKey(read.get(0).value(), within, unit, needed && !unit.isEmpty(), DecimalSign.EITHER));
    }

    /** A teacher's own sign: one comma alone parts decimals, unless three digits follow it. */
    private static DecimalSign sign(String typed) {
        return typed.matches("[^.,]*,(?![0-9]{3}(?![0-9]))[^.,]*") ? DecimalSign.COMMA : DecimalSign.POINT;
    }

    public static String written(NumberKey key) {
        String tolerance = key.tolerance().signum() == 0
                ? ""
                : " ± " + key.tolerance().stripTrailingZeros().toPlainString();
        String unit = key.unit().isEmpty() ? "" : " " + key.unit() + (key.unitNeeded() ? "!" : "");
        return key.value().stripTrailingZeros().toPlainString() + tolerance + unit;
    }
}
