package prolalia.app.classroom;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;
import static prolalia.app.platform.db.Tables.STUDENT;

import java.time.Duration;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.storage.StorageSweeper;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** A class that was removed can be put back for 30 days; then it goes, with the children that are in no other one. */
class RemovedClassesTest extends RunningHouse {
    @Autowired
    private RemovedClasses removed;

    @Autowired
    private StorageSweeper sweeper;

    @Autowired
    private DSLContext writing;

    @Test
    void aClassThatWasRemovedLongAgoGoesWithItsChildren() throws Exception {
        Visitor ines = Visitor.ines(base());
        String id = Visitor.newClass(ines, "Sandpipers");
        String other = Visitor.newClass(ines, "Dunlins");
        ines.form("/classes/" + id + "/students", "names", "Goes With\nStays On");
        String page = ines.page("/classes/" + id);
        String goes = Visitor.first(page, "/students/([^\"]+)\"[^>]*>(?:(?!/students/)[\\s\\S])*Goes With");
        String stays = Visitor.first(page, "/students/([^\"]+)\"[^>]*>(?:(?!/students/)[\\s\\S])*Stays On");
        ines.form("/classes/" + id + "/students/" + stays + "/move", "target", other, "stays", "true");
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        ines.form("/lessons/" + bean + "/give", "to", id);
        ines.form("/classes/" + id + "/remove");
        removed.letGo();
        ines.form("/classes/" + id + "/put-back");
        assertThat(ines.page("/classes/" + id)).contains("Goes With");
        ines.form("/classes/" + id + "/remove");
        writing.update(SCHOOL_CLASS)
                .set(
                        SCHOOL_CLASS.REMOVED_AT,
                        System.currentTimeMillis() - Duration.ofDays(31).toMillis())
                .where(SCHOOL_CLASS.ID.eq(id))
                .execute();
        removed.letGo();
        sweeper.sweep();
        assertThat(ines.form("/classes/" + id + "/put-back").statusCode()).isEqualTo(404);
        assertThat(writing.fetchExists(STUDENT, STUDENT.ID.eq(goes))).isFalse();
        assertThat(ines.page("/classes/" + other)).contains("Stays On");
        ines.form("/classes/" + other + "/remove");
    }
}
