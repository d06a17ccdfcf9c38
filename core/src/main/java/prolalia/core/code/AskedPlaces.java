package prolalia.core.code;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.intake.FoundKind;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundPage;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;

/** Where the questions of a page stand, each with its choices and what is written on under it. Stateless. */
public final class AskedPlaces {
    private AskedPlaces() {}

    /** A question of a page. @param text as it stands there */
    public record Asked(String text, Wanted wanted) {}

    /** In reading order. */
    public static List<Asked> of(FoundPage page) {
        List<Asked> asked = new ArrayList<>();
        List<FoundLine> lines = page.lines();
        for (int i = 0; i < lines.size(); i++) {
            FoundLine question = lines.get(i);
            if (question.kind() != FoundKind.QUESTION) {
                continue;
            }
            Area whole = question.area();
            for (int under = i + 1; under < lines.size() && belongs(lines.get(under)); under++) {
                whole = whole.with(lines.get(under).area());
            }
            asked.add(new Asked(question.text(), new Wanted(firstRow(question), whole)));
        }
        return asked;
    }

    private static boolean belongs(FoundLine line) {
        return line.kind() == FoundKind.CHOICE || line.kind() == FoundKind.BLANK;
    }

    private static Area firstRow(FoundLine line) {
        List<Area> words = line.words().words().stream().map(PlacedWord::area).toList();
        return words.stream()
                .filter(word -> word.sharedHeight(words.get(0)) > 0.5)
                .reduce(Area::with)
                .orElse(line.area());
    }
}
