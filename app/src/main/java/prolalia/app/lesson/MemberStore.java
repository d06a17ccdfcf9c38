package prolalia.app.lesson;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_MEMBER;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Membership;

/** Which teachers belong to a lesson, and how. */
@Repository
class MemberStore {
    private final DSLContext writing;
    private final DSLContext looking;

    MemberStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** Its owner first. */
    List<Member> of(LessonRef lesson) {
        return looking.select(TEACHER.ID, TEACHER.FULL_NAME, LESSON_MEMBER.MEMBERSHIP)
                .from(LESSON_MEMBER)
                .join(TEACHER)
                .on(TEACHER.ID.eq(LESSON_MEMBER.TEACHER_ID))
                .where(LESSON_MEMBER.LESSON_ID.eq(lesson.id()))
                .orderBy(LESSON_MEMBER.MEMBERSHIP.ne(Membership.OWN.stored()), TEACHER.FULL_NAME)
                .fetch(row -> new Member(
                        row.get(TEACHER.ID),
                        row.get(TEACHER.FULL_NAME),
                        Membership.valueOf(row.get(LESSON_MEMBER.MEMBERSHIP).toUpperCase(Locale.ROOT))));
    }

    /** The names of the owners of lessons that somebody sees and doesn't own, by lesson. */
    Map<String, String> ownersOfShared(String teacherId, Collection<String> lessonIds) {
        var theirs = LESSON_MEMBER.as("theirs");
        return looking.select(LESSON_MEMBER.LESSON_ID, TEACHER.FULL_NAME)
                .from(LESSON_MEMBER)
                .join(theirs)
                .on(theirs.LESSON_ID.eq(LESSON_MEMBER.LESSON_ID), theirs.MEMBERSHIP.eq(Membership.OWN.stored()))
                .join(TEACHER)
                .on(TEACHER.ID.eq(theirs.TEACHER_ID))
                .where(
                        LESSON_MEMBER.TEACHER_ID.eq(teacherId),
                        LESSON_MEMBER.MEMBERSHIP.ne(Membership.OWN.stored()),
                        LESSON_MEMBER.LESSON_ID.in(lessonIds))
                .fetchMap(LESSON_MEMBER.LESSON_ID, TEACHER.FULL_NAME);
    }

    /** Makes somebody a member, or another kind of one; an owner stays one. */
    void set(LessonRef lesson, String teacherId, Membership membership) {
        writing.insertInto(LESSON_MEMBER)
                .set(LESSON_MEMBER.LESSON_ID, lesson.id())
                .set(LESSON_MEMBER.TEACHER_ID, teacherId)
                .set(LESSON_MEMBER.MEMBERSHIP, membership.stored())
                .onConflict(LESSON_MEMBER.LESSON_ID, LESSON_MEMBER.TEACHER_ID)
                .doUpdate()
                .set(LESSON_MEMBER.MEMBERSHIP, membership.stored())
                .where(LESSON_MEMBER.MEMBERSHIP.ne(Membership.OWN.stored()))
                .execute();
    }

    /** Somebody is no member any more; an owner stays one. */
    void remove(LessonRef lesson, String teacherId) {
        writing.deleteFrom(LESSON_MEMBER)
                .where(
                        LESSON_MEMBER.LESSON_ID.eq(lesson.id()),
                        LESSON_MEMBER.TEACHER_ID.eq(teacherId),
                        LESSON_MEMBER.MEMBERSHIP.ne(Membership.OWN.stored()))
                .execute();
    }

    /** All lessons of one are another's from now on, but for the shelf of standing lines. @return how many */
    int handOver(String fromId, String toId) {
        List<String> lessons = writing.select(LESSON.ID)
                .from(LESSON)
                .where(LESSON.TEACHER_ID.eq(fromId), LESSON.SHELF.isFalse())
                .fetch(LESSON.ID);
        writing.deleteFrom(LESSON_MEMBER)
                .where(LESSON_MEMBER.LESSON_ID.in(lessons), LESSON_MEMBER.TEACHER_ID.in(fromId, toId))
                .execute();
        writing.update(LESSON)
                .set(LESSON.TEACHER_ID, toId)
                // What its pages say themselves is said by her from now on.
                .set(LESSON.REVISION, LESSON.REVISION.plus(1))
                .where(LESSON.ID.in(lessons))
                .execute();
        for (String lesson : lessons) {
            writing.insertInto(LESSON_MEMBER)
                    .set(LESSON_MEMBER.LESSON_ID, lesson)
                    .set(LESSON_MEMBER.TEACHER_ID, toId)
                    .set(LESSON_MEMBER.MEMBERSHIP, Membership.OWN.stored())
                    .execute();
        }
        return lessons.size();
    }
}
