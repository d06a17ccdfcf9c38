package prolalia.core.answer;

import java.math.BigDecimal;
import java.math.MathContext;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.answer.NumberKey.DecimalSign;

/**
 * A number as somebody wrote it: with signs for thousands and decimals, as a fraction, with a unit, in the digits of any script.
 *
 * @param unit what stands after it, without digits but for those of square and cubic metres ("cm2"); empty: nothing
 */
public record WrittenNumber(BigDecimal value, String unit) {
    /** Longer than any number that is answered. */
    private static final int LONGEST = 60;

    private static final String DIGITS = "[0-9][0-9.,' ]*|[.,][0-9]+";
    private static final Pattern WRITTEN = Pattern.compile(
            "(?<sign>[-+])?\\s*(?:(?:(?<whole>[0-9]+)\\s+)?(?<upper>[0-9]+)\\s*/\\s*(?<lower>[0-9]+)|(?<digits>"
                    + DIGITS + "))\\s*(?<unit>[^0-9]*(?:m[23])?)");

    /**
     * All that it can mean: "1,250" is a thousand and more, or one and a quarter, where either sign may part decimals.
     *
     * @return empty when it is no number
     */
    public static List<WrittenNumber> readings(String written, DecimalSign sign) {
        Matcher match = WRITTEN.matcher(plain(written));
        if (written.length() > LONGEST || !match.matches()) {
            return List.of();
        }
        boolean negative = "-".equals(match.group("sign"));
        List<WrittenNumber> readings = new ArrayList<>();
        if (match.group("lower") != null) {
            BigDecimal lower = new BigDecimal(match.group("lower"));
            if (lower.signum() != 0) {
                BigDecimal whole =
                        match.group("whole") == null ? BigDecimal.ZERO : new BigDecimal(match.group("whole"));
                BigDecimal part = new BigDecimal(match.group("upper")).divide(lower, MathContext.DECIMAL64);
                readings.add(of(whole.add(part), negative, match));
            }
            return readings;
        }
        String digits = match.group("digits").strip();
        if (sign != DecimalSign.COMMA) {
            decimal(digits, '.', ',').ifPresent(value -> readings.add(of(value, negative, match)));
        }
        if (sign != DecimalSign.POINT) {
            decimal(digits, ',', '.').ifPresent(value -> readings.add(of(value, negative, match)));
        }
        return readings;
    }

    /** Whether it stands in this unit; how it is spaced, and a point at its end, don't matter. */
    boolean hasUnit(String wanted) {
        return plainUnit(unit).equals(plainUnit(wanted));
    }

    private static String plainUnit(String unit) {
        return Normalizer.normalize(unit, Normalizer.Form.NFKC).replaceAll("[\\s.]+", "");
    }

    private static WrittenNumber of(BigDecimal value, boolean negative, Matcher match) {
        return new WrittenNumber(
                negative ? value.negate() : value, match.group("unit").strip());
    }

    /** Digits in threes may be parted by a space, an apostrophe, or the sign that doesn't part decimals. */
    private static Optional<BigDecimal> decimal(String digits, char point, char thousands) {
        int at = digits.lastIndexOf(point);
        String whole = at < 0 ? digits : digits.substring(0, at);
        String part = at < 0 ? "" : digits.substring(at + 1);
        String gap = "[' " + thousands + "]";
        if (!part.matches("[0-9]*") || !whole.matches("[0-9]*|[0-9]{1,3}(?:" + gap + "[0-9]{3})+")) {
            return Optional.empty();
        }
        String plain = whole.replaceAll(gap, "");
        return plain.isEmpty() && part.isEmpty()
                ? Optional.empty()
                : Optional.of(new BigDecimal((plain.isEmpty() ? "0" : plain) + (part.isEmpty() ? "" : "." + part)));
    }

    /** Digits of any script as 0 to 9, "1½" as "1 1/2" (but "m²" as it is), one kind of minus, one kind of space. */
    private static String plain(String written) {
        StringBuilder plain = new StringBuilder();
        written.codePoints().limit(LONGEST).forEach(point -> {
            boolean afterLetter = !plain.isEmpty() && Character.isLetter(plain.charAt(plain.length() - 1));
            if (Character.isDigit(point)) {
                plain.append(Character.digit(point, 10));
            } else if (Character.getType(point) == Character.OTHER_NUMBER && !afterLetter) {
                plain.append(' ').append(Normalizer.normalize(Character.toString(point), Normalizer.Form.NFKC));
            } else {
                plain.appendCodePoint(point);
            }
        });
        return plain.toString()
                .replace('\u2044', '/')
                .replaceAll("[\u2212\u2010-\u2013]", "-")
                .replace('\u2019', '\'')
                .replace('\u066b', '.')
                .replace("\u066c", "'")
                .replaceAll("[\\s\\p{Z}]+", " ")
                .strip();
    }
}
