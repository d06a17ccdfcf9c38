package prolalia.app.sharing;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_LINK;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.Ids;

@Repository
class LinkStore {
    private final DSLContext writing;
    private final DSLContext looking;

    LinkStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A link, withdrawn or not. */
    record Link(String lessonId, String token, boolean withdrawn) {}

    /** Where a token leads now. */
    Optional<LinkService.Target> target(String token) {
        return looking.select(LESSON_LINK.LESSON_ID, LESSON_LINK.WITHDRAWN_AT, LESSON.REVISION, LESSON.REMOVED_AT)
                .from(LESSON_LINK)
                .join(LESSON)
                .on(LESSON.ID.eq(LESSON_LINK.LESSON_ID))
                .where(LESSON_LINK.TOKEN.eq(token))
                .fetchOptional(row -> new LinkService.Target(
                        row.get(LESSON_LINK.LESSON_ID),
                        row.get(LESSON.REVISION),
                        row.get(LESSON_LINK.WITHDRAWN_AT) != null,
                        row.get(LESSON.REMOVED_AT) != null));
    }

    /** The newest link of all that holds. */
    Optional<String> newestToken() {
        return looking.select(LESSON_LINK.TOKEN)
                .from(LESSON_LINK)
                .where(LESSON_LINK.WITHDRAWN_AT.isNull())
                .orderBy(LESSON_LINK.CREATED_AT.desc())
                .limit(1)
                .fetchOptional(LESSON_LINK.TOKEN);
    }

    /** The lesson's newest link. */
    Optional<Link> newest(String lessonId) {
        return writing.selectFrom(LESSON_LINK)
                .where(LESSON_LINK.LESSON_ID.eq(lessonId))
                .orderBy(LESSON_LINK.WITHDRAWN_AT.isNull().desc(), LESSON_LINK.CREATED_AT.desc())
                .limit(1)
                .fetchOptional(row -> new Link(row.getLessonId(), row.getToken(), row.getWithdrawnAt() != null));
    }

    void add(String lessonId, String token, long now) {
        writing.insertInto(LESSON_LINK)
                .set(LESSON_LINK.ID, Ids.newId())
                .set(LESSON_LINK.LESSON_ID, lessonId)
                .set(LESSON_LINK.TOKEN, token)
                .set(LESSON_LINK.CREATED_AT, now)
                .execute();
    }

    void withdrawAll(String lessonId, long now) {
        writing.update(LESSON_LINK)
                .set(LESSON_LINK.WITHDRAWN_AT, now)
                .where(LESSON_LINK.LESSON_ID.eq(lessonId), LESSON_LINK.WITHDRAWN_AT.isNull())
                .execute();
    }
}
