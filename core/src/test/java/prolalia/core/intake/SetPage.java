package prolalia.core.intake;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.intake.PageText.Word;
import prolalia.core.place.Area;

/** Sets a page as a typesetter would, in points on A4; letters are half as wide as they are high. */
final class SetPage {
    static final double WIDTH = 595;
    static final double HEIGHT = 842;

    private final List<Word> words = new ArrayList<>();

    /** Sets words on a base line; a word takes its letters' width, a space half a letter more. */
    SetPage at(double x, double y, double size, String text) {
        return at(x, y, size, false, text);
    }

    SetPage bold(double x, double y, double size, String text) {
        return at(x, y, size, true, text);
    }

    private SetPage at(double x, double y, double size, boolean bold, String text) {
        double at = x;
        for (String word : text.split(" ")) {
            double width = word.length() * size * 0.5;
            if (!word.isEmpty()) {
                Area area = new Area(at / WIDTH, (y - 0.76 * size) / HEIGHT, width / WIDTH, size * 0.98 / HEIGHT);
                words.add(new Word(word, area, size / HEIGHT, bold));
            }
            at += width + size * 0.28;
        }
        return this;
    }

    /** Sets rows under each other. */
    SetPage rows(double x, double y, double size, double leading, String... rows) {
        for (int i = 0; i < rows.length; i++) {
            at(x, y + i * leading, size, rows[i]);
        }
        return this;
    }

    PageText page() {
        return new PageText(WIDTH / HEIGHT, words);
    }
}
