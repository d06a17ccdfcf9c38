package prolalia.app.access;

import static org.jooq.impl.DSL.and;
import static org.jooq.impl.DSL.falseCondition;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.select;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.CLASS_TEACHER;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_MEMBER;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;

import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Phone;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.db.tables.records.LessonRecord;

/** Who may do what with which lesson. What somebody may not is simply not there for her. */
@Repository
public class LessonAccess {
    private final DSLContext looking;

    LessonAccess(@Qualifier("looking") DSLContext looking) {
        this.looking = looking;
    }

    /** The lesson, if this one may do that with it. */
    public LessonRef require(Actor actor, String lessonId, Right right) {
        return find(actor, lessonId, right).orElseThrow(() -> new NotFoundException("lesson"));
    }

    /** The same, where it may be that it isn't there. */
    public Optional<LessonRef> find(Actor actor, String lessonId, Right right) {
        return one(LESSON.ID.eq(lessonId), may(actor, right));
    }

    /** The lesson, if she belongs to it: whoever only teaches a class that works on it takes nothing of it along. */
    public LessonRef requireOnDesk(Teacher teacher, String lessonId) {
        return one(LESSON.ID.eq(lessonId), onDesk(teacher)).orElseThrow(() -> new NotFoundException("lesson"));
    }

    /** A lesson that is there, for what the house does with it by itself: nobody's right is asked. */
    public Optional<LessonRef> ofHouse(String lessonId) {
        return one(LESSON.ID.eq(lessonId), noCondition());
    }

    /** A teacher's shelf of standing lines, if she has one. */
    public Optional<LessonRef> shelf(String teacherId) {
        return one(LESSON.TEACHER_ID.eq(teacherId), LESSON.SHELF.isTrue());
    }

    private Optional<LessonRef> one(Condition which, Condition may) {
        return looking.selectFrom(LESSON)
                .where(which, LESSON.REMOVED_AT.isNull(), may)
                .fetchOptional(row -> new LessonRef(summary(row)));
    }

    /** The lesson of a line that is there, if this one may do that with the line. */
    public LessonRef requireOfLine(Actor actor, String lineId, Right right) {
        return byLine(
                        lineId,
                        LINE.REMOVED_AT.isNull(),
                        PAGE.REMOVED_AT.isNull(),
                        LESSON.REMOVED_AT.isNull(),
                        mayWithLine(actor, right))
                .orElseThrow(() -> new NotFoundException("line"));
    }

    /** The lesson of a page, whether that is there or removed, if this one may do that with the lesson. */
    public LessonRef requireOfPage(Actor actor, String pageId, Right right) {
        return looking.select(LESSON.fields())
                .from(PAGE)
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(PAGE.ID.eq(pageId), may(actor, right))
                .fetchOptional(row -> new LessonRef(summary(row.into(LESSON))))
                .orElseThrow(() -> new NotFoundException("page"));
    }

    /** The lesson of a line, for what the house does by itself. */
    public LessonRef ofHouseByLine(String lineId) {
        return byLine(lineId).orElseThrow();
    }

    private Optional<LessonRef> byLine(String lineId, Condition... conditions) {
        return looking.select(LESSON.fields())
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(LINE.ID.eq(lineId))
                .and(and(conditions))
                .fetchOptional(row -> new LessonRef(summary(row.into(LESSON))));
    }

    /** A lesson from its row. */
    public static LessonSummary summary(LessonRecord row) {
        return new LessonSummary(
                row.getId(), row.getTitle(), row.getCover(), row.getChangedAt(), row.getRevision(), row.getShelf());
    }

    /** Whether this one may do that with a lesson, also with one that was removed: what is being said into it is kept. */
    public boolean mayStill(Actor actor, String lessonId, Right right) {
        return looking.fetchExists(LESSON, LESSON.ID.eq(lessonId), may(actor, right));
    }

    /** The condition on a row of LESSON under which somebody may do something with it: the one place that says so. */
    public Condition may(Actor actor, Right right) {
        if (actor instanceof Teacher teacher) {
            Condition belongs = belongsTo(teacher, right);
            return right == Right.READ ? belongs.or(worksOnInAClassOf(teacher)) : belongs;
        }
        if (actor instanceof Phone phone && (right == Right.READ || right == Right.RECORD)) {
            return LESSON.ID.eq(phone.lessonId()).and(may(phone.reader(), right));
        }
        return falseCondition();
    }

    /** The condition on a row of LESSON under which it stands on somebody's desk: she belongs to it. */
    public static Condition onDesk(Teacher teacher) {
        return belongsTo(teacher, Right.READ);
    }

    private static Condition belongsTo(Teacher teacher, Right right) {
        return LESSON.ID.in(select(LESSON_MEMBER.LESSON_ID)
                .from(LESSON_MEMBER)
                .where(
                        LESSON_MEMBER.TEACHER_ID.eq(teacher.id()),
                        LESSON_MEMBER.MEMBERSHIP.in(Membership.with(right, teacher.role()))));
    }

    /** What a class works on is read and heard by all who teach it. */
    private static Condition worksOnInAClassOf(Teacher teacher) {
        return LESSON.ID.in(select(ASSIGNMENT.LESSON_ID)
                .from(ASSIGNMENT)
                .join(SCHOOL_CLASS)
                .on(SCHOOL_CLASS.ID.eq(ASSIGNMENT.CLASS_ID))
                .join(CLASS_TEACHER)
                .on(CLASS_TEACHER.CLASS_ID.eq(SCHOOL_CLASS.ID))
                .where(
                        CLASS_TEACHER.TEACHER_ID.eq(teacher.id()),
                        ASSIGNMENT.TAKEN_BACK_AT.isNull(),
                        SCHOOL_CLASS.REMOVED_AT.isNull()));
    }

    /** The condition on rows of LESSON and LINE under which somebody may do something with a line. */
    public Condition mayWithLine(Actor actor, Right right) {
        Condition lesson = may(actor, right);
        return actor instanceof Phone phone ? lesson.and(LINE.ID.in(phone.lineIds())) : lesson;
    }
}
