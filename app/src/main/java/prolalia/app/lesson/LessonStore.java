package prolalia.app.lesson;

import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.nullif;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.FILE_BATCH;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_SETTINGS;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.LONG_RECORDING;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAPER;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.TAKE_FINDING;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;
import prolalia.app.platform.db.tables.records.LessonRecord;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Take;
import prolalia.core.lesson.WordsLit;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/** Lessons, their pages, and the script as it is read. */
@Repository
class LessonStore {
    /** Whether the sound check found something in the take that the teacher hasn't accepted. */
    private static final Field<Boolean> DOUBTFUL = field(exists(
                    selectOne().from(TAKE_FINDING).where(TAKE_FINDING.TAKE_ID.eq(TAKE.ID), TAKE.ACCEPTED_AT.isNull())))
            .as("doubtful");

    /** The MP3 of a take; null until it is made, when the original stands in its place. */
    static final Field<String> HEARD =
            nullif(TAKE.SOUND_HASH, TAKE.ORIGINAL_HASH).as("heard");

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
                .fetch(LessonStore::summary);
    }

    /** A lesson, whoever asks. */
    Optional<LessonSummary> lesson(String lessonId) {
        return looking.selectFrom(LESSON)
                .where(LESSON.ID.eq(lessonId), LESSON.REMOVED_AT.isNull())
                .fetchOptional(LessonStore::summary);
    }

    static LessonSummary summary(LessonRecord row) {
        return new LessonSummary(
                row.getId(), row.getTitle(), row.getCover(), row.getChangedAt(), row.getRevision(), row.getShelf());
    }

    /** A teacher's shelf of standing lines, if she has one. */
    Optional<LessonSummary> shelf(String teacherId) {
        return looking.selectFrom(LESSON)
                .where(LESSON.TEACHER_ID.eq(teacherId), LESSON.SHELF.isTrue())
                .fetchOptional(LessonStore::summary);
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

    /** All lines of a lesson in reading order, without their takes. */
    List<Line> words(LessonRef lesson) {
        return looking.select(LINE.ID, LINE.KIND, LINE.ICON, LINE.LANG, LINE.LABEL, LINE.WORDS)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .where(PAGE.LESSON_ID.eq(lesson.id()), LINE.REMOVED_AT.isNull(), PAGE.REMOVED_AT.isNull())
                .orderBy(PAGE.POSITION, LINE.POSITION)
                .fetch(row -> new Line(row.get(LINE.ID), LineStore.traits(row), row.get(LINE.WORDS), Optional.empty()));
    }

    /** All lines of a lesson in reading order. */
    List<ScriptLine> script(LessonRef lesson) {
        return linesWhere(looking, PAGE.LESSON_ID.eq(lesson.id()));
    }

    /** Some lines of a lesson in reading order. */
    List<ScriptLine> lines(LessonRef lesson, Collection<String> lineIds) {
        return linesWhere(looking, PAGE.LESSON_ID.eq(lesson.id()).and(LINE.ID.in(lineIds)));
    }

    /** One line, if it is to be seen. */
    Optional<ScriptLine> line(Condition seen, String lineId) {
        return linesWhere(looking, LINE.ID.eq(lineId).and(seen)).stream().findFirst();
    }

    /** The lines of lessons, without their sound, by lesson. */
    Map<String, List<Line>> linesByLesson(Collection<String> lessonIds) {
        return looking.select(
                        PAGE.LESSON_ID,
                        LINE.ID,
                        LINE.KIND,
                        LINE.ICON,
                        LINE.LANG,
                        LINE.LABEL,
                        LINE.WORDS,
                        TAKE.ID,
                        TAKE.WORDS,
                        TAKE.DURATION_MS,
                        DOUBTFUL)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .leftJoin(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(LESSON.ID.in(lessonIds), LINE.REMOVED_AT.isNull(), PAGE.REMOVED_AT.isNull())
                .orderBy(PAGE.POSITION, LINE.POSITION)
                .fetchGroups(PAGE.LESSON_ID, LessonStore::line);
    }

    /** The kept takes that a teacher made last. */
    List<Take> newestKeptTakes(String teacherId, int most) {
        // Once each, however many lines it is heard on.
        return looking.select(TAKE.ID, TAKE.WORDS, TAKE.DURATION_MS, DOUBTFUL)
                .from(TAKE)
                .join(LINE)
                .on(LINE.ID.eq(TAKE.LINE_ID))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(LESSON.TEACHER_ID.eq(teacherId), TAKE.ID.in(KeptTakes.all()))
                .orderBy(TAKE.CREATED_AT.desc())
                .limit(most)
                .fetch(LessonStore::take);
    }

    private static List<ScriptLine> linesWhere(DSLContext context, Condition condition) {
        Map<String, List<Finding>> findings = context.select(
                        TAKE_FINDING.TAKE_ID, TAKE_FINDING.KIND, TAKE_FINDING.START_MS, TAKE_FINDING.END_MS)
                .from(TAKE_FINDING)
                .join(LINE)
                .on(TAKE_FINDING.TAKE_ID.eq(KeptTakes.of(LINE.ID)))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(condition)
                .orderBy(TAKE_FINDING.START_MS)
                .fetchGroups(TAKE_FINDING.TAKE_ID, LessonStore::finding);
        return context.select(
                        LINE.ID,
                        LINE.KIND,
                        LINE.WORDS,
                        LINE.REVISION,
                        LINE.STANDING_LINE_ID,
                        LINE.ICON,
                        LINE.LANG,
                        LINE.LABEL,
                        LINE.WORD_PLACES,
                        LINE.QUESTION,
                        LINE.CHOICE_RIGHT,
                        LINE.CHOICE_PAIR,
                        LINE.PICTURE_HASH,
                        PAGE.ID,
                        PAGE.LESSON_ID,
                        TAKE.ID,
                        TAKE.WORDS,
                        TAKE.DURATION_MS,
                        TAKE.TRIM_START_MS,
                        TAKE.TRIM_END_MS,
                        DOUBTFUL,
                        HEARD,
                        TAKE.PEAKS)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .leftJoin(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(condition, LINE.REMOVED_AT.isNull(), PAGE.REMOVED_AT.isNull(), LESSON.REMOVED_AT.isNull())
                .orderBy(PAGE.POSITION, LINE.POSITION)
                .fetch(row -> scriptLine(row, findings.getOrDefault(row.get(TAKE.ID), List.of())));
    }

    /** A finding from its row. */
    private static Finding finding(Record row) {
        return new Finding(
                Finding.Kind.valueOf(row.get(TAKE_FINDING.KIND)),
                new Span(row.get(TAKE_FINDING.START_MS), row.get(TAKE_FINDING.END_MS)));
    }

    private static ScriptLine scriptLine(Record row, List<Finding> findings) {
        return new ScriptLine(
                line(row),
                row.get(LINE.REVISION),
                row.get(PAGE.ID),
                row.get(PAGE.LESSON_ID),
                row.get(HEARD),
                Optional.ofNullable(row.get(TAKE.PEAKS)).map(Peaks::new).orElse(null),
                row.get(TAKE.ID) == null ? null : new Span(row.get(TAKE.TRIM_START_MS), row.get(TAKE.TRIM_END_MS)),
                findings,
                row.get(LINE.STANDING_LINE_ID));
    }

    private static Line line(Record row) {
        Optional<Take> kept =
                Optional.of(row).filter(each -> each.get(TAKE.ID) != null).map(LessonStore::take);
        return new Line(row.get(LINE.ID), LineStore.traits(row), row.get(LINE.WORDS), kept);
    }

    private static Take take(Record row) {
        return new Take(row.get(TAKE.ID), row.get(TAKE.WORDS), row.get(TAKE.DURATION_MS), row.get(DOUBTFUL));
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

    /** The lesson of a line, whoever asks. */
    LessonSummary lessonOf(String lineId) {
        return looking.select(LESSON.fields())
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(LINE.ID.eq(lineId))
                .fetchSingle(row -> summary(row.into(LESSON)));
    }

    /** What holds for a lesson as a whole. */
    LessonSettings settings(LessonRef lesson) {
        return looking.selectFrom(LESSON_SETTINGS)
                .where(LESSON_SETTINGS.LESSON_ID.eq(lesson.id()))
                .fetchOptional(row -> new LessonSettings(
                        row.getWordsHidden(),
                        row.getLang(),
                        WordsLit.valueOf(row.getWordsLit()),
                        QuestionForms.manner(row.getAnswering())))
                .orElse(LessonSettings.USUAL);
    }

    void setSettings(LessonRef lesson, LessonSettings settings) {
        writing.insertInto(LESSON_SETTINGS)
                .set(LESSON_SETTINGS.LESSON_ID, lesson.id())
                .set(LESSON_SETTINGS.WORDS_HIDDEN, settings.wordsHidden())
                .set(LESSON_SETTINGS.LANG, settings.lang())
                .set(LESSON_SETTINGS.WORDS_LIT, settings.wordsLit().name())
                .set(LESSON_SETTINGS.ANSWERING, QuestionForms.written(settings.answering()))
                .onConflict(LESSON_SETTINGS.LESSON_ID)
                .doUpdate()
                .set(LESSON_SETTINGS.WORDS_HIDDEN, settings.wordsHidden())
                .set(LESSON_SETTINGS.LANG, settings.lang())
                .set(LESSON_SETTINGS.WORDS_LIT, settings.wordsLit().name())
                .set(LESSON_SETTINGS.ANSWERING, QuestionForms.written(settings.answering()))
                .execute();
    }

    void touch(LessonRef lesson, long now) {
        writing.update(LESSON)
                .set(LESSON.CHANGED_AT, now)
                .where(LESSON.ID.eq(lesson.id()))
                .execute();
    }
}
