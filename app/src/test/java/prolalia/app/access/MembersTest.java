package prolalia.app.access;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.app.platform.db.Tables.LESSON_MEMBER;
import static prolalia.app.platform.db.Tables.LINK;

import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.account.AccountService;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** What colleagues may do with a lesson that is somebody else's. */
class MembersTest extends RunningHouse {
    @Autowired
    private DSLContext database;

    @Autowired
    private AccountService accounts;

    @Autowired
    private LessonService lessons;

    private Visitor ines;
    private String line;
    private String lesson;

    @BeforeAll
    void aLesson() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine("The snail waits.");
        lesson = ines.lessonOf(line);
    }

    private Visitor colleague(String name, String membership) throws Exception {
        accounts.add(name, name, "right password");
        String id = accounts.teacher(name).orElseThrow().id();
        database.insertInto(LESSON_MEMBER).values(lesson, id, membership).execute();
        Visitor colleague = new Visitor(base());
        colleague.get("/sign-in");
        colleague.form("/sign-in", "name", name, "password", "right password");
        return colleague;
    }

    private int changesWords(Visitor visitor, String words) throws Exception {
        LessonView before =
                lessons.lesson(accounts.teacher("ines").orElseThrow().actor(), lesson);
        return visitor.putForm(
                        "/lines/" + line + "/words",
                        "revision",
                        String.valueOf(before.script().get(0).revision()),
                        "words",
                        words)
                .statusCode();
    }

    @Test
    void oneWhoUsesItGivesItOutAndChangesNothing() throws Exception {
        Visitor user = colleague("una", "use");
        assertThat(user.page("/")).as("on her desk").contains("/lessons/" + lesson);
        String link = user.linkTo(lesson);
        assertThat(new Visitor(base()).get(link).statusCode()).isEqualTo(200);
        assertThat(changesWords(user, "Mine now.")).isEqualTo(404);
        assertThat(user.form("/lessons/" + lesson + "/pages").statusCode()).isEqualTo(404);
        assertThat(user.form("/lessons/" + lesson + "/remove").statusCode()).isEqualTo(404);
        assertThat(ines.page("/lessons/" + lesson)).contains("The snail waits.");
    }

    @Test
    void oneWhoWorksOnItChangesItAndNeitherGivesItOutNorTakesItAway() throws Exception {
        Visitor editor = colleague("elke", "edit");
        assertThat(changesWords(editor, "The snail waits.  ")).isEqualTo(200);
        assertThat(editor.form("/lessons/" + lesson + "/link").statusCode()).isEqualTo(404);
        assertThat(editor.form("/lessons/" + lesson + "/remove").statusCode()).isEqualTo(404);
    }

    @Test
    void aLinkLeadsNowhereOnceItHasEnded() throws Exception {
        String other = ines.lessonOf(ines.newLine("The hare waits."));
        String link = ines.linkTo(other);
        Visitor child = new Visitor(base());
        assertThat(child.get(link).statusCode()).isEqualTo(200);
        database.update(LINK)
                .set(LINK.ENDS_AT, System.currentTimeMillis() - 1)
                .where(LINK.TOKEN.eq(link.substring("/l/".length())))
                .execute();
        assertThat(child.get(link).statusCode()).isEqualTo(410);
    }
}
