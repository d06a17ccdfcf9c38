package prolalia.app.sharing;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINK;

import java.util.Locale;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.lesson.LessonRef;

@Repository
class LinkStore {
    private final DSLContext writing;
    private final DSLContext looking;

    LinkStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** What a link is made for. */
    enum Purpose {
        /** Given to students. */
        GIVEN;

        private String stored() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** A link, withdrawn or not. */
    record Link(String token, boolean withdrawn) {}

    /** Where a token leads now. */
    Optional<LinkService.Target> target(String token, long now) {
        return looking.select(LINK.LESSON_ID, LESSON.REVISION, LESSON.REMOVED_AT, holds(now))
                .from(LINK)
                .join(LESSON)
                .on(LESSON.ID.eq(LINK.LESSON_ID))
                .where(LINK.TOKEN.eq(token))
                .fetchOptional(row -> new LinkService.Target(
                        row.get(LINK.LESSON_ID),
                        row.get(LESSON.REVISION),
                        !row.value4(),
                        row.get(LESSON.REMOVED_AT) != null));
    }

    private static Condition holds(long now) {
        return LINK.WITHDRAWN_AT.isNull().and(LINK.ENDS_AT.isNull().or(LINK.ENDS_AT.gt(now)));
    }

    /** The newest link of all that holds. */
    Optional<String> newestToken() {
        return looking.select(LINK.TOKEN)
                .from(LINK)
                .where(LINK.WITHDRAWN_AT.isNull())
                .orderBy(LINK.MADE_AT.desc())
                .limit(1)
                .fetchOptional(LINK.TOKEN);
    }

    /** The lesson's newest link for something; one that holds before one that was withdrawn. */
    Optional<Link> newest(LessonRef lesson, Purpose purpose) {
        return looking.selectFrom(LINK)
                .where(LINK.LESSON_ID.eq(lesson.id()), LINK.PURPOSE.eq(purpose.stored()))
                .orderBy(LINK.WITHDRAWN_AT.isNull().desc(), LINK.WITHDRAWN_AT.desc(), LINK.MADE_AT.desc())
                .limit(1)
                .fetchOptional(row -> new Link(row.getToken(), row.getWithdrawnAt() != null));
    }

    void add(LessonRef lesson, Purpose purpose, String token, long now) {
        writing.insertInto(LINK)
                .set(LINK.TOKEN, token)
                .set(LINK.PURPOSE, purpose.stored())
                .set(LINK.LESSON_ID, lesson.id())
                .set(LINK.MADE_AT, now)
                .execute();
    }

    void withdrawAll(LessonRef lesson, Purpose purpose, long now) {
        writing.update(LINK)
                .set(LINK.WITHDRAWN_AT, now)
                .where(LINK.LESSON_ID.eq(lesson.id()), LINK.PURPOSE.eq(purpose.stored()), LINK.WITHDRAWN_AT.isNull())
                .execute();
    }

    /** A link that was withdrawn leads where it led. */
    void open(String token) {
        writing.update(LINK)
                .setNull(LINK.WITHDRAWN_AT)
                .where(LINK.TOKEN.eq(token))
                .execute();
    }
}
