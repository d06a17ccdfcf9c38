package prolalia.app.link;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINK;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Select;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.db.tables.records.LinkRecord;
import prolalia.core.code.SchoolHours;

@Repository
class LinkStore {
    private static final String HOLDS = "holds";

    private final DSLContext writing;
    private final DSLContext looking;
    private final String targetText;
    private final List<Field<?>> targetFields;

    LinkStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
        Select<Record> example = targetQuery("", 0);
        targetText = looking.render(example);
        targetFields = example.getSelect();
    }

    /** Where a token leads now. A class asks it some thousand times within seconds: the query is written out once. */
    Optional<LinkService.Target> target(String token, long now) {
        return looking.resultQuery(targetText, now, token)
                .coerce(targetFields)
                .fetchOptional(row -> new LinkService.Target(
                        link(row.into(LINK)),
                        row.get(LESSON.REVISION),
                        !row.get(HOLDS, Boolean.class),
                        row.get(LESSON.REMOVED_AT) != null));
    }

    private Select<Record> targetQuery(String token, long now) {
        return looking.select(LINK.fields())
                .select(LESSON.REVISION, LESSON.REMOVED_AT, holds(now).as(HOLDS))
                .from(LINK)
                .join(LESSON)
                .on(LESSON.ID.eq(LINK.LESSON_ID))
                .where(LINK.TOKEN.eq(token));
    }

    private static Link link(LinkRecord row) {
        return new Link(
                row.getToken(),
                LinkPurpose.of(row.getPurpose()),
                row.getLessonId(),
                row.getPageId(),
                row.getLineId(),
                row.getTyped(),
                row.getEndsAt(),
                SchoolHours.ofStored(row.getHours()),
                row.getWithdrawnAt() != null,
                row.getPrintedBase());
    }

    private static Condition holds(long now) {
        return LINK.WITHDRAWN_AT.isNull().and(LINK.ENDS_AT.isNull().or(LINK.ENDS_AT.gt(now)));
    }

    /** The newest link of all that holds and leads to a whole lesson. */
    Optional<String> newestToken() {
        return looking.select(LINK.TOKEN)
                .from(LINK)
                .where(LINK.WITHDRAWN_AT.isNull(), LINK.PURPOSE.eq(LinkPurpose.GIVEN.stored()))
                .orderBy(LINK.MADE_AT.desc())
                .limit(1)
                .fetchOptional(LINK.TOKEN);
    }

    /** The lesson's newest link for something; one that holds before one that was withdrawn. */
    Optional<Link> newest(LessonRef lesson, LinkPurpose purpose) {
        return looking.selectFrom(LINK)
                .where(LINK.LESSON_ID.eq(lesson.id()), LINK.PURPOSE.eq(purpose.stored()))
                .orderBy(LINK.WITHDRAWN_AT.isNull().desc(), LINK.WITHDRAWN_AT.desc(), LINK.MADE_AT.desc())
                .limit(1)
                .fetchOptional(LinkStore::link);
    }

    /** All codes of a lesson, also those that were withdrawn; the oldest first. */
    List<Link> codes(LessonRef lesson) {
        return looking.selectFrom(LINK)
                .where(LINK.LESSON_ID.eq(lesson.id()), LINK.PURPOSE.in(LinkPurpose.ofCodes()))
                .orderBy(LINK.MADE_AT, LINK.TOKEN)
                .fetch(LinkStore::link);
    }

    Optional<Link> byTyped(String typed) {
        return looking.selectFrom(LINK)
                .where(LINK.TYPED.eq(typed), LINK.LESSON_ID.isNotNull())
                .fetchOptional(LinkStore::link);
    }

    void add(LessonRef lesson, LinkPurpose purpose, String token, long now) {
        add(new Link(token, purpose, lesson.id(), null, null, null, purpose.endsAt(now), null, false, null), now);
    }

    void add(Link link, long now) {
        writing.insertInto(LINK)
                .set(LINK.TOKEN, link.token())
                .set(LINK.PURPOSE, link.purpose().stored())
                .set(LINK.LESSON_ID, link.lessonId())
                .set(LINK.PAGE_ID, link.pageId())
                .set(LINK.LINE_ID, link.lineId())
                .set(LINK.TYPED, link.typed())
                .set(LINK.ENDS_AT, link.endsAt())
                .set(LINK.HOURS, link.hours() == null ? null : link.hours().stored())
                .set(LINK.MADE_AT, now)
                .execute();
    }

    void withdrawAll(LessonRef lesson, LinkPurpose purpose, long now) {
        writing.update(LINK)
                .set(LINK.WITHDRAWN_AT, now)
                .where(LINK.LESSON_ID.eq(lesson.id()), LINK.PURPOSE.eq(purpose.stored()), LINK.WITHDRAWN_AT.isNull())
                .execute();
    }

    /** @param now when it is withdrawn; null: it leads where it led */
    void setWithdrawn(Collection<String> tokens, Long now) {
        writing.update(LINK)
                .set(LINK.WITHDRAWN_AT, now)
                .where(LINK.TOKEN.in(tokens))
                .execute();
    }

    /** @param endsAt null: they don't end by themselves */
    void setEnd(Collection<String> tokens, Long endsAt) {
        writing.update(LINK)
                .set(LINK.ENDS_AT, endsAt)
                .where(LINK.TOKEN.in(tokens))
                .execute();
    }

    /** @param hours null: they open always */
    void setHours(Collection<String> tokens, SchoolHours hours) {
        writing.update(LINK)
                .set(LINK.HOURS, hours == null ? null : hours.stored())
                .where(LINK.TOKEN.in(tokens))
                .execute();
    }

    void setPrinted(Collection<String> tokens, String base) {
        writing.update(LINK)
                .set(LINK.PRINTED_BASE, base)
                .where(LINK.TOKEN.in(tokens))
                .execute();
    }

    /** A link that was withdrawn leads where it led. */
    void open(String token) {
        setWithdrawn(List.of(token), null);
    }
}
