package prolalia.core.code;

import java.util.Optional;

/**
 * A code as it is printed.
 *
 * @param symbol what is printed
 * @param moduleMm width of one module, at least {@link #SMALLEST_MODULE_MM}
 */
public record CodePrint(CodeSymbol symbol, double moduleMm) {
    /** A printer and a camera of a school hold 0.4 mm apart; blurred and turned at 150 dots to the inch, codes are read from 0.5 on. */
    public static final double SMALLEST_MODULE_MM = 0.5;

    /** A code is scanned from ten times its width: rule of thumb of the trade, for a camera of 60 degrees. */
    public static final double DISTANCE_BY_WIDTH = 10;

    /** As a code is scanned that lies on a desk. */
    public static final double DESK_DISTANCE_MM = 180;

    /** @throws IllegalArgumentException if a module is smaller than it may be */
    public CodePrint {
        if (!(moduleMm >= SMALLEST_MODULE_MM - 1e-9)) {
            throw new IllegalArgumentException("Modules of " + moduleMm + " mm can't be read");
        }
    }

    /** As large as it must be to be scanned from a distance. */
    public static CodePrint forDistance(CodeSymbol symbol, double distanceMm) {
        return new CodePrint(symbol, Math.max(SMALLEST_MODULE_MM, distanceMm / DISTANCE_BY_WIDTH / symbol.modules()));
    }

    /** As large as a square allows, quiet zone included; empty if its modules would be too small. */
    public static Optional<CodePrint> within(CodeSymbol symbol, double sideMm) {
        double module = sideMm / symbol.modulesWithQuietZone();
        return module < SMALLEST_MODULE_MM ? Optional.empty() : Optional.of(new CodePrint(symbol, module));
    }

    /** Of the symbol alone. */
    public double widthMm() {
        return symbol.modules() * moduleMm;
    }

    /** With its quiet zone: what has to be free on the paper. */
    public double sideMm() {
        return symbol.modulesWithQuietZone() * moduleMm;
    }

    public double quietZoneMm() {
        return CodeSymbol.QUIET_ZONE_MODULES * moduleMm;
    }

    /** From where it can be scanned. */
    public double distanceMm() {
        return widthMm() * DISTANCE_BY_WIDTH;
    }
}
