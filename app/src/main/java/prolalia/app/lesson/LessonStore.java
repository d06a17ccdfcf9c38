package prolalia.app.lesson;

import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.FILE_BATCH;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_SETTINGS;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.LONG_RECORDING;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAPER;

import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.LessonSummary;
import prolalia.app.lines.QuestionColumns;
import prolalia.app.pages.Binned;
import prolalia.app.platform.KeptTakes;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.WordsLit;

/** Lessons as wholes, and what holds for them. */
@Repository
class LessonStore {
    private final DSLContext writing;
    private final DSLContext looking;

    LessonStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /**
     * The lessons on a desk, those changed last first.
     *
     * @param untitled the name of a lesson that nobody named: with nothing in it, it isn't there
     */
    List<LessonSummary> lessonsOf(Condition seen, String untitled) {
        Condition hasSomething = LESSON.TITLE
                .ne(untitled)
                .or(exists(selectOne()
                        .from(PAGE)
                        .leftJoin(LINE)
                        .on(LINE.PAGE_ID.eq(PAGE.ID))
                        .where(
                                PAGE.LESSON_ID.eq(LESSON.ID),
                                PAGE.PICTURE_HASH
                                        .isNotNull()
                                        .or(PAGE.POSITION.gt(0))
                                        .or(LINE.WORDS.ne(""))
                                        .or(KeptTakes.of(LINE.ID).isNotNull()))))
                .or(exists(selectOne().from(PAPER).where(PAPER.LESSON_ID.eq(LESSON.ID))))
                .or(exists(selectOne().from(LONG_RECORDING).where(LONG_RECORDING.LESSON_ID.eq(LESSON.ID))))
                .or(exists(selectOne().from(FILE_BATCH).where(FILE_BATCH.LESSON_ID.eq(LESSON.ID))));
        return looking.selectFrom(LESSON)
                .where(seen, hasSomething, LESSON.REMOVED_AT.isNull(), LESSON.SHELF.isFalse(), LESSON.CLASS_ID.isNull())
                .orderBy(LESSON.CHANGED_AT.desc())
                .fetch(LessonAccess::summary);
    }

    void makeShelf(LessonRef lesson) {
        writing.update(LESSON)
                .set(LESSON.SHELF, true)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
    }

    /** A lesson of what is said in a class lies on no desk. */
    void makeOfClass(LessonRef lesson, String classId) {
        writing.update(LESSON)
                .set(LESSON.CLASS_ID, classId)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
    }

    void addLesson(String id, String teacherId, String title, int cover, long now) {
        writing.insertInto(LESSON)
                .set(LESSON.ID, id)
                .set(LESSON.TEACHER_ID, teacherId)
                .set(LESSON.TITLE, title)
                .set(LESSON.COVER, cover)
                .set(LESSON.CREATED_AT, now)
                .set(LESSON.CHANGED_AT, now)
                .execute();
    }

    void rename(LessonRef lesson, String title, long now) {
        writing.update(LESSON)
                .set(LESSON.TITLE, title)
                .set(LESSON.CHANGED_AT, now)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
    }

    /**
     * Takes a lesson off the desk, or puts it back. A shelf isn't on the desk, and stays.
     *
     * @return whether it is there, and may be
     */
    boolean setRemoved(Condition may, String lessonId, Long removedAt) {
        return writing.update(LESSON)
                        .set(LESSON.REMOVED_AT, removedAt)
                        .where(LESSON.ID.eq(lessonId), may, LESSON.SHELF.isFalse())
                        .execute()
                > 0;
    }

    /** Lessons that were removed, newest first. */
    List<Binned> removedLessons(Condition may) {
        return looking.selectFrom(LESSON)
                .where(may, LESSON.REMOVED_AT.isNotNull(), LESSON.SHELF.isFalse())
                .orderBy(LESSON.REMOVED_AT.desc())
                .fetch(row ->
                        new Binned("lesson", row.getId(), row.getTitle(), 0, null, row.getId(), row.getRemovedAt()));
    }

    /** What holds for a lesson as a whole. */
    LessonSettings settings(LessonRef lesson) {
        return looking.selectFrom(LESSON_SETTINGS)
                .where(LESSON_SETTINGS.LESSON_ID.eq(lesson.id()))
                .fetchOptional(row -> new LessonSettings(
                        row.getWordsHidden(),
                        row.getLang(),
                        WordsLit.valueOf(row.getWordsLit()),
                        QuestionColumns.manner(row.getAnswering())))
                .orElse(LessonSettings.USUAL);
    }

    void setSettings(LessonRef lesson, LessonSettings settings) {
        writing.insertInto(LESSON_SETTINGS)
                .set(LESSON_SETTINGS.LESSON_ID, lesson.id())
                .set(LESSON_SETTINGS.WORDS_HIDDEN, settings.wordsHidden())
                .set(LESSON_SETTINGS.LANG, settings.lang())
                .set(LESSON_SETTINGS.WORDS_LIT, settings.wordsLit().name())
                .set(LESSON_SETTINGS.ANSWERING, QuestionColumns.written(settings.answering()))
                .onConflict(LESSON_SETTINGS.LESSON_ID)
                .doUpdate()
                .set(LESSON_SETTINGS.WORDS_HIDDEN, settings.wordsHidden())
                .set(LESSON_SETTINGS.LANG, settings.lang())
                .set(LESSON_SETTINGS.WORDS_LIT, settings.wordsLit().name())
                .set(LESSON_SETTINGS.ANSWERING, QuestionColumns.written(settings.answering()))
                .execute();
    }

    void touch(LessonRef lesson, long now) {
        writing.update(LESSON)
                .set(LESSON.CHANGED_AT, now)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
    }
}
