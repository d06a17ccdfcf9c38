package prolalia.app.response;

import java.util.StringJoiner;
import org.springframework.stereotype.Component;
import prolalia.core.answer.Given.Stroke;

/** Drawings as their lines. */
@Component
class Drawings {
    private static final int UNITS = 10_000;
    private static final int HEIGHT = 6_000;

    /** The points of a line, as SVG has them, on a sheet of 10,000 by 6,000. */
    public String points(Stroke stroke) {
        StringJoiner points = new StringJoiner(" ");
        for (int i = 0; i < stroke.points().size(); i += 2) {
            points.add(stroke.points().get(i) + "," + stroke.points().get(i + 1) * HEIGHT / UNITS);
        }
        return points.toString();
    }
}
