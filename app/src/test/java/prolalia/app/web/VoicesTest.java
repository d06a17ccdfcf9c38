package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;

/** A line that is said in two voices: each has its kept take, and neither takes the other's place. */
class VoicesTest extends RunningHouse {
    @Autowired
    @Qualifier("looking")
    private DSLContext looking;

    @Autowired
    private DSLContext writing;

    private List<String> kept(String line) {
        return looking.fetch("SELECT voice || ' ' || take_id FROM kept_take WHERE line_id = ? ORDER BY voice", line)
                .getValues(0, String.class);
    }

    @Test
    void aSecondVoiceIsKeptBesideTheFirstOnALineAndOnItsPlaces() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("Now show your partner, please.");
        ines.form("/lines/" + line + "/standing");
        String home = Visitor.first(ines.page("/lessons/" + ines.lessonOf(line)), "data-standing=\"([^\"]+)\"");
        String main = Visitor.first(
                ines.record(line, "main.wav", Files.readAllBytes(voice("bean-2b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + main + "/keep");
        String second = Visitor.first(
                ines.record(line, "second.wav", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        writing.execute("UPDATE take SET voice = 'second' WHERE id = ?", second);
        ines.form("/takes/" + second + "/keep");
        assertThat(kept(home)).containsExactly("main " + main, "second " + second);
        assertThat(kept(line)).isEqualTo(kept(home));
        assertThat(ines.page("/lessons/" + ines.lessonOf(line)))
                .as("what sounds in the script is the main voice")
                .contains("/takes/" + main + "/")
                .doesNotContain("/takes/" + second + "/");
        ines.form("/takes/" + second + "/remove");
        assertThat(kept(line)).containsExactly("main " + main);
        ines.form("/takes/" + second + "/put-back");
        assertThat(kept(home)).containsExactly("main " + main, "second " + second);
    }
}
