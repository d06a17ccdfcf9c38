package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.app.platform.db.Tables.LESSON;

import java.nio.file.Files;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A lesson's revision counts up with everything that changes what students see or hear of it, and with nothing else. */
class RevisionTest extends RunningHouse {
    @Autowired
    private DSLContext database;

    private Visitor ines;
    private String line;
    private String lesson;
    private String other;
    private long before;
    private long ofOther;

    @BeforeAll
    void twoLessons() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine("The rain wakes the bean.");
        lesson = ines.lessonOf(line);
        other = ines.lessonOf(ines.newLine("Another lesson."));
        before = revision(lesson);
        ofOther = revision(other);
    }

    private long revision(String id) {
        return database.select(LESSON.REVISION)
                .from(LESSON)
                .where(LESSON.ID.eq(id))
                .fetchSingle(LESSON.REVISION);
    }

    private void changed(String what) {
        long now = revision(lesson);
        assertThat(now).as(what).isGreaterThan(before);
        assertThat(revision(other)).as(what + " is not the other's").isEqualTo(ofOther);
        before = now;
    }

    @Test
    void itCountsWhatStudentsMeet() throws Exception {
        ines.putForm("/lines/" + line + "/words", "revision", "2", "words", "The sun wakes the bean.");
        changed("words");
        String take = Visitor.first(
                ines.record(line, "a.wav", Files.readAllBytes(voice("bean-1a"))), "data-take=\"([^\"]+)\"");
        assertThat(revision(lesson)).as("a take that nobody hears").isEqualTo(before);
        ines.form("/takes/" + take + "/keep");
        changed("a kept take");
        ines.page("/lines/" + line + "/word-times/now");
        before = revision(lesson);
        ines.form("/lines/" + line + "/word-times/move", "index", "1", "startMs", "700");
        changed("mended times of words");
        ines.putForm("/lessons/" + lesson + "/words-shown?shown=false");
        changed("whether words are shown");
        ines.form("/lessons/" + lesson + "/pages");
        changed("a page");
        // What is only looked at, given out or begun changes nothing.
        ines.page("/lessons/" + lesson + "/give-link");
        ines.page("/lessons/" + lesson);
        ines.record(line, "b.wav", Files.readAllBytes(voice("bean-2c")));
        assertThat(revision(lesson)).isEqualTo(before);
    }
}
