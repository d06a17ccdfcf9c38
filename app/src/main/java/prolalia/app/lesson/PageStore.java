package prolalia.app.lesson;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.val;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.RECORDING;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.lesson.LessonStore.Binned;
import prolalia.app.platform.Ids;

/** The pages of lessons, those in the bin too. */
@Repository
public class PageStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final LessonStore lessons;

    PageStore(DSLContext writing, @Qualifier("looking") DSLContext looking, LessonStore lessons) {
        this.writing = writing;
        this.looking = looking;
        this.lessons = lessons;
    }

    /** The pages of a lesson in order. */
    public List<LessonPage> of(String lessonId) {
        return looking.selectFrom(PAGE)
                .where(PAGE.LESSON_ID.eq(lessonId), PAGE.REMOVED_AT.isNull())
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

    public String add(String lessonId, long now) {
        String id = Ids.newId();
        writing.insertInto(PAGE, PAGE.ID, PAGE.LESSON_ID, PAGE.POSITION)
                .select(writing.select(
                                val(id),
                                val(lessonId),
                                coalesce(max(PAGE.POSITION), -1).plus(1))
                        .from(PAGE)
                        .where(PAGE.LESSON_ID.eq(lessonId)))
                .execute();
        lessons.touch(lessonId, now);
        return id;
    }

    /** Takes a new lesson's only page away, if nothing was ever put on it. */
    public void removeUntouchedPage(String lessonId, long now) {
        var unsaid = LINE.WORDS.ne("").or(exists(selectOne().from(RECORDING).where(RECORDING.TARGET_ID.eq(LINE.ID))));
        writing.update(PAGE)
                .set(PAGE.REMOVED_AT, now)
                .where(
                        PAGE.LESSON_ID.eq(lessonId),
                        PAGE.PICTURE_HASH.isNull(),
                        PAGE.REMOVED_AT.isNull(),
                        notExists(selectOne().from(LINE).where(LINE.PAGE_ID.eq(PAGE.ID), unsaid)),
                        val(1).eq(writing.selectCount()
                                .from(PAGE.as("other"))
                                .where(
                                        PAGE.as("other").LESSON_ID.eq(lessonId),
                                        PAGE.as("other").REMOVED_AT.isNull())))
                .execute();
    }

    /** The media type of the picture of a page, whether that is there or removed. */
    Optional<String> pictureType(String lessonId, String hash) {
        return looking.select(PAGE.PICTURE_TYPE)
                .from(PAGE)
                .where(PAGE.LESSON_ID.eq(lessonId), PAGE.PICTURE_HASH.eq(hash))
                .limit(1)
                .fetchOptional(PAGE.PICTURE_TYPE);
    }

    /** Takes a page out of its lesson, or puts it back. @return whether it is there, and may be */
    boolean setRemoved(Condition may, String pageId, Long removedAt) {
        return writing.update(PAGE)
                        .set(PAGE.REMOVED_AT, removedAt)
                        .where(PAGE.ID.eq(pageId), inLesson(may))
                        .execute()
                > 0;
    }

    private Condition inLesson(Condition may) {
        return PAGE.LESSON_ID.in(writing.select(LESSON.ID).from(LESSON).where(may));
    }

    /** Exchanges a page with the one before or after it; nothing happens at the ends. */
    void move(String lessonId, String pageId, boolean later) {
        List<String> order = of(lessonId).stream().map(LessonPage::id).toList();
        int from = order.indexOf(pageId);
        int to = from + (later ? 1 : -1);
        if (from < 0 || to < 0 || to >= order.size()) {
            return;
        }
        List<String> moved = new ArrayList<>(order);
        Collections.swap(moved, from, to);
        // Removed pages keep their places among the others.
        for (int position = 0; position < moved.size(); position++) {
            writing.update(PAGE)
                    .set(PAGE.POSITION, position)
                    .where(PAGE.ID.eq(moved.get(position)))
                    .execute();
        }
    }

    /** The lesson of a page that may be, whether it is there or removed. */
    Optional<String> lessonOf(Condition may, String pageId) {
        return looking.select(PAGE.LESSON_ID)
                .from(PAGE)
                .where(PAGE.ID.eq(pageId), inLesson(may))
                .fetchOptional(PAGE.LESSON_ID);
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
    public void setPictureSize(String pageId, int width, int height) {
        writing.update(PAGE)
                .set(PAGE.WIDTH, width)
                .set(PAGE.HEIGHT, height)
                .where(PAGE.ID.eq(pageId))
                .execute();
    }

    /** How many pages a lesson has. */
    public int count(String lessonId) {
        return looking.fetchCount(PAGE, PAGE.LESSON_ID.eq(lessonId), PAGE.REMOVED_AT.isNull());
    }

    public void setPicture(String pageId, String hash, String type, String words) {
        writing.update(PAGE)
                .set(PAGE.PICTURE_HASH, hash)
                .set(PAGE.PICTURE_TYPE, type)
                .set(PAGE.PICTURE_WORDS, words)
                .where(PAGE.ID.eq(pageId))
                .execute();
    }

    /**
     * Names a page; null takes its name away.
     *
     * @return whether it is there, and may be
     */
    boolean setTitle(Condition may, String pageId, String title) {
        return writing.update(PAGE)
                        .set(PAGE.TITLE, title)
                        .where(PAGE.ID.eq(pageId), inLesson(may))
                        .execute()
                > 0;
    }
}
