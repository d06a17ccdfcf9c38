package prolalia.core.answer;

import java.math.BigDecimal;
import java.util.Objects;

/**
 * The number that is right.
 *
 * @param value the number
 * @param tolerance so far an answer may be from it, and still be right; never negative
 * @param unit that belongs to it, such as "cm"; empty: none
 * @param unitNeeded whether an answer without the unit is wrong
 * @param sign which sign parts whole numbers from decimals
 */
public record NumberKey(BigDecimal value, BigDecimal tolerance, String unit, boolean unitNeeded, DecimalSign sign) {
    public static final int LONGEST_UNIT = 20;

    /** Which sign parts whole numbers from decimals. */
    public enum DecimalSign {
        POINT,
        COMMA,
        /** Whichever a child writes: "1,250" may be either then. */
        EITHER
    }

    public NumberKey {
        Objects.requireNonNull(value);
        tolerance = tolerance == null ? BigDecimal.ZERO : tolerance.abs();
        unit = unit == null ? "" : unit.strip();
        sign = sign == null ? DecimalSign.EITHER : sign;
    }

    public static NumberKey of(BigDecimal value) {
        return new NumberKey(value, BigDecimal.ZERO, "", false, DecimalSign.EITHER);
    }

    /** Whether what was written is right, in one of the ways in which it can be read. */
    public boolean accepts(String written) {
        return WrittenNumber.readings(written, sign).stream().anyMatch(this::accepts);
    }

    private boolean accepts(WrittenNumber read) {
        boolean inUnit = read.unit().isEmpty() ? !unitNeeded || unit.isEmpty() : read.hasUnit(unit);
        return inUnit && read.value().subtract(value).abs().compareTo(tolerance) <= 0;
    }
}
