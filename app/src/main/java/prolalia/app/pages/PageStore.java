package prolalia.app.pages;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.val;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAGE_SOURCE;
import static prolalia.app.platform.db.Tables.SPOKEN;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.Ids;
import prolalia.core.script.LessonChange.PageStep;
import prolalia.core.script.PageShape;
import prolalia.core.script.PageShape.Picture;
import prolalia.core.script.PageShape.Source;

/** The pages of lessons, those in the bin too. */
@Repository
class PageStore {
    private static final Picture NO_PICTURE = new Picture(null, null, null, null, null, null);

    private final DSLContext writing;
    private final DSLContext looking;

    PageStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** The pages of a lesson in order. */
    List<LessonPage> of(LessonRef lesson) {
        return looking.selectFrom(PAGE)
                .where(PAGE.LESSON_ID.eq(lesson.id()), PAGE.REMOVED_AT.isNull())
                .orderBy(PAGE.POSITION)
                .fetch(row -> new LessonPage(
                        row.getId(),
                        row.getTitle(),
                        row.getPictureHash(),
                        row.getPictureType(),
                        row.getPictureWords(),
                        row.getWidth(),
                        row.getHeight()));
    }

    String add(LessonRef lesson, long now) {
        String id = Ids.newId();
        writing.insertInto(PAGE, PAGE.ID, PAGE.LESSON_ID, PAGE.POSITION)
                .select(writing.select(
                                val(id),
                                val(lesson.id()),
                                coalesce(max(PAGE.POSITION), -1).plus(1))
                        .from(PAGE)
                        .where(PAGE.LESSON_ID.eq(lesson.id())))
                .execute();
        writing.update(LESSON)
                .set(LESSON.CHANGED_AT, now)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
        return id;
    }

    /** Takes a new lesson's only page away, if nothing was ever put on it. */
    void removeUntouchedPage(LessonRef lesson, long now) {
        var unsaid = LINE.WORDS.ne("").or(exists(selectOne().from(SPOKEN).where(SPOKEN.LINE_ID.eq(LINE.ID))));
        writing.update(PAGE)
                .set(PAGE.REMOVED_AT, now)
                .where(
                        PAGE.LESSON_ID.eq(lesson.id()),
                        PAGE.PICTURE_HASH.isNull(),
                        PAGE.REMOVED_AT.isNull(),
                        notExists(selectOne().from(LINE).where(LINE.PAGE_ID.eq(PAGE.ID), unsaid)),
                        val(1).eq(writing.selectCount()
                                .from(PAGE.as("other"))
                                .where(
                                        PAGE.as("other").LESSON_ID.eq(lesson.id()),
                                        PAGE.as("other").REMOVED_AT.isNull())))
                .execute();
    }

    /** The media type of the picture of a page, whether that is there or removed. */
    Optional<String> pictureType(LessonRef lesson, String hash) {
        return looking.select(PAGE.PICTURE_TYPE)
                .from(PAGE)
                .where(PAGE.LESSON_ID.eq(lesson.id()), PAGE.PICTURE_HASH.eq(hash))
                .limit(1)
                .fetchOptional(PAGE.PICTURE_TYPE);
    }

    /** All pages that a lesson has or had, removed ones too, by their ids. */
    Map<String, PageShape> shapes(LessonRef lesson) {
        Map<String, PageShape> shapes = new LinkedHashMap<>();
        writing.select(PAGE.fields())
                .select(PAGE_SOURCE.fields())
                .from(PAGE)
                .leftJoin(PAGE_SOURCE)
                .on(PAGE_SOURCE.PAGE_ID.eq(PAGE.ID))
                .where(PAGE.LESSON_ID.eq(lesson.id()))
                .orderBy(PAGE.POSITION)
                .forEach(row -> shapes.put(
                        row.get(PAGE.ID),
                        new PageShape(
                                row.get(PAGE.TITLE),
                                row.get(PAGE.REMOVED_AT) != null,
                                row.get(PAGE.POSITION),
                                picture(row))));
        return shapes;
    }

    private static Picture picture(Record row) {
        Source source = row.get(PAGE_SOURCE.FILE_HASH) == null
                ? null
                : new Source(row.get(PAGE_SOURCE.FILE_HASH), row.get(PAGE_SOURCE.TYPE), row.get(PAGE_SOURCE.NUMBER));
        return row.get(PAGE.PICTURE_HASH) == null
                ? null
                : new Picture(
                        row.get(PAGE.PICTURE_HASH),
                        row.get(PAGE.PICTURE_TYPE),
                        row.get(PAGE.PICTURE_WORDS),
                        row.get(PAGE.WIDTH),
                        row.get(PAGE.HEIGHT),
                        source);
    }

    /** Makes one step of a change; what the step doesn't change is left as it is. */
    void make(PageStep step, long now) {
        PageShape to = step.after();
        Map<Field<?>, Object> values = new HashMap<>();
        if (step.before().removed() != to.removed()) {
            values.put(PAGE.REMOVED_AT, to.removed() ? now : null);
        }
        if (step.before().position() != to.position()) {
            values.put(PAGE.POSITION, to.position());
        }
        if (!Objects.equals(step.before().title(), to.title())) {
            values.put(PAGE.TITLE, to.title());
        }
        if (!Objects.equals(step.before().picture(), to.picture())) {
            Picture picture = to.picture() == null ? NO_PICTURE : to.picture();
            values.put(PAGE.PICTURE_HASH, picture.hash());
            values.put(PAGE.PICTURE_TYPE, picture.type());
            values.put(PAGE.PICTURE_WORDS, picture.words());
            values.put(PAGE.WIDTH, picture.width());
            values.put(PAGE.HEIGHT, picture.height());
            setSource(step.pageId(), picture.source());
        }
        if (!values.isEmpty()) {
            writing.update(PAGE).set(values).where(PAGE.ID.eq(step.pageId())).execute();
        }
    }

    /** Pages that were removed of lessons that are there, newest first. */
    List<Binned> removed(Condition may) {
        return looking.select(PAGE.ID, LESSON.TITLE, PAGE.POSITION, PAGE.PICTURE_HASH, PAGE.LESSON_ID, PAGE.REMOVED_AT)
                .from(PAGE)
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(may, PAGE.REMOVED_AT.isNotNull(), LESSON.REMOVED_AT.isNull())
                .and(PAGE.PICTURE_HASH
                        .isNotNull()
                        .or(exists(selectOne().from(LINE).where(LINE.PAGE_ID.eq(PAGE.ID), LINE.WORDS.ne("")))))
                .orderBy(PAGE.REMOVED_AT.desc())
                .fetch(row -> new Binned(
                        "page",
                        row.value1(),
                        row.value2(),
                        row.value3() + 1,
                        row.value4(),
                        row.value5(),
                        row.value6()));
    }

    /** How large a picture is, as its file has it. */
    void setPictureSize(String pageId, int width, int height) {
        writing.update(PAGE)
                .set(PAGE.WIDTH, width)
                .set(PAGE.HEIGHT, height)
                .where(PAGE.ID.eq(pageId))
                .execute();
    }

    /** How many pages a lesson has. */
    int count(LessonRef lesson) {
        return looking.fetchCount(PAGE, PAGE.LESSON_ID.eq(lesson.id()), PAGE.REMOVED_AT.isNull());
    }

    void setPicture(String pageId, String hash, String type, String words) {
        writing.update(PAGE)
                .set(PAGE.PICTURE_HASH, hash)
                .set(PAGE.PICTURE_TYPE, type)
                .set(PAGE.PICTURE_WORDS, words)
                .where(PAGE.ID.eq(pageId))
                .execute();
    }

    private void setSource(String pageId, Source source) {
        writing.deleteFrom(PAGE_SOURCE).where(PAGE_SOURCE.PAGE_ID.eq(pageId)).execute();
        if (source != null) {
            writing.insertInto(PAGE_SOURCE)
                    .set(PAGE_SOURCE.PAGE_ID, pageId)
                    .set(PAGE_SOURCE.FILE_HASH, source.file())
                    .set(PAGE_SOURCE.TYPE, source.type())
                    .set(PAGE_SOURCE.NUMBER, source.number())
                    .execute();
        }
    }

    void setTitle(String pageId, String title) {
        writing.update(PAGE).set(PAGE.TITLE, title).where(PAGE.ID.eq(pageId)).execute();
    }
}
