package prolalia.app.classroom;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.STUDENT;

import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** Who was deleted stays deleted, also when an older copy of the data comes back. */
class StudentFileTest extends RunningHouse {
    @Autowired
    private StudentFile file;

    @Autowired
    private DSLContext writing;

    @Test
    void whoWasDeletedIsDeletedAgainWhenABackupBringsHerBack() throws Exception {
        Visitor ines = Visitor.ines(base());
        String id = Visitor.newClass(ines, "Backups");
        String at = "/classes/" + id;
        ines.form(at + "/students", "names", "Ada\nBo");
        String ada = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        var student = writing.fetchSingle(STUDENT, STUDENT.ID.eq(ada));
        var place = writing.fetchSingle(CLASS_STUDENT, CLASS_STUDENT.STUDENT_ID.eq(ada));
        String boLine = writing.select(CLASS_STUDENT.NAME_LINE_ID)
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.CLASS_ID.eq(id), CLASS_STUDENT.STUDENT_ID.ne(ada))
                .fetchSingle()
                .value1();
        ines.form(at + "/students/" + ada + "/delete", "sure", "Ada");
        assertThat(ines.page(at)).doesNotContain("Ada");
        // As an older copy of the database has her, in a line that is there.
        student.changed(true);
        writing.executeInsert(student);
        place.setNameLineId(boLine);
        place.changed(true);
        writing.executeInsert(place);
        assertThat(ines.page(at)).contains("Ada");
        file.afterSingletonsInstantiated();
        assertThat(ines.page(at)).doesNotContain("Ada");
        String bo = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        ines.form(at + "/students/" + bo + "/delete", "sure", "Bo");
        ines.form(at + "/remove");
    }
}
