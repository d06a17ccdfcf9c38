package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;

/** Tells lettered questions ("a) How many eggs are left?") from lettered choices. */
final class PartsOfQuestions {
    private PartsOfQuestions() {}

    static List<FoundLine> asQuestions(List<FoundLine> lines) {
        List<FoundLine> told = new ArrayList<>();
        for (int from = 0; from < lines.size(); ) {
            int to = from;
            while (to < lines.size() && lines.get(to).kind() == FoundKind.CHOICE) {
                to++;
            }
            List<FoundLine> run = lines.subList(from, to);
            long asking = run.stream()
                    .filter(line -> line.text().matches(".*(\\?|_{3,}|\\.{5,})[\"')]*$"))
                    .count();
            for (FoundLine line : run) {
                told.add(asking * 2 > run.size() ? line.withKind(FoundKind.QUESTION) : line);
            }
            if (to == from) {
                told.add(lines.get(to++));
            }
            from = to;
        }
        return told;
    }
}
