package prolalia.app.assignment;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.app.platform.db.Tables.HEARD_LINE;
import static prolalia.app.platform.db.Tables.VISIT;

import java.time.Duration;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** What children did is kept as long as the school says; their teachers are told before it goes. */
class RetentionTest extends RunningHouse {
    @Autowired
    private RetentionPolicy keeping;

    @Autowired
    private HeardLog heard;

    @Autowired
    private DSLContext writing;

    @Test
    void whatChildrenDidGoesWhenItsTimeIsOverAndIsAnnounced() throws Exception {
        Visitor ines = Visitor.ines(base());
        String id = Visitor.newClass(ines, "Keepers");
        ines.form("/classes/" + id + "/students", "names", "Ada");
        String ada = Visitor.first(ines.page("/classes/" + id), "/students/([^\"]+)\"");
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        ines.form("/lessons/" + bean + "/give", "to", id);
        Visitor child = Visitor.child(ines, id, ada);
        String assignment = Visitor.first(child.page("/my"), "class=\"task\" href=\"/my/([^\"]+)\"");
        String line = Visitor.first(child.page("/my/" + assignment), "data-line=\"([^\"]+)\"");
        child.form("/my/" + assignment + "/heard/" + line);
        heard.writeDown();
        String given = "/classes/" + id + "/given";
        assertThat(ines.page(given)).contains("1 of 6 lines heard").doesNotContain("Take it out before");
        doneDaysAgo(ada, 360);
        assertThat(ines.page(given)).contains("Take it out before if you need it");
        keeping.forget();
        assertThat(ines.page(given)).contains("1 of 6 lines heard");
        doneDaysAgo(ada, 370);
        keeping.forget();
        assertThat(ines.page(given)).contains("not opened yet").doesNotContain("1 of 6 lines heard");
        ines.form("/classes/" + id + "/remove");
    }

    private void doneDaysAgo(String student, int days) {
        long at = System.currentTimeMillis() - Duration.ofDays(days).toMillis();
        writing.update(VISIT)
                .set(VISIT.LAST_AT, at)
                .where(VISIT.STUDENT_ID.eq(student))
                .execute();
        writing.update(HEARD_LINE)
                .set(HEARD_LINE.LAST_AT, at)
                .where(HEARD_LINE.STUDENT_ID.eq(student))
                .execute();
    }
}
