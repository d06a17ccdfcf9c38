package prolalia.app.elsewhere;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.count;
import static prolalia.app.platform.db.Tables.BATCH_FILE;
import static prolalia.app.platform.db.Tables.FILE_BATCH;
import static prolalia.app.platform.db.Tables.LESSON;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.elsewhere.FileBatch.StoredFile;
import prolalia.app.platform.db.tables.records.BatchFileRecord;
import prolalia.core.sound.Refusal;

/** Batches of files and where the teacher wants them. */
@Repository
class FileBatchStore {
    private final DSLContext writing;
    private final DSLContext looking;

    FileBatchStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A batch as it is stored. */
    record Batch(String id, String lessonId, String teacherId, long begunAt) {}

    /** A batch of a lesson, for the list. */
    record Summary(String id, long begunAt, int files, int done) {}

    void begin(String id, LessonRef lesson, long now) {
        writing.insertInto(FILE_BATCH)
                .set(FILE_BATCH.ID, id)
                .set(FILE_BATCH.LESSON_ID, lesson.id())
                .set(FILE_BATCH.BEGUN_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    void add(String batchId, int number, String name, String rawHash, Long durationMs, Refusal.Reason refusal) {
        writing.insertInto(BATCH_FILE)
                .set(BATCH_FILE.BATCH_ID, batchId)
                .set(BATCH_FILE.NUMBER, number)
                .set(BATCH_FILE.FILE_NAME, name)
                .set(BATCH_FILE.RAW_HASH, rawHash)
                .set(BATCH_FILE.DURATION_MS, durationMs)
                .set(BATCH_FILE.REFUSAL, refusal == null ? null : refusal.name())
                .set(BATCH_FILE.CHOSEN, false)
                .set(BATCH_FILE.WANTED, false)
                .onConflictDoNothing()
                .execute();
    }

    Optional<Batch> find(String id) {
        return looking.select(FILE_BATCH.ID, FILE_BATCH.LESSON_ID, LESSON.TEACHER_ID, FILE_BATCH.BEGUN_AT)
                .from(FILE_BATCH)
                .join(LESSON)
                .on(LESSON.ID.eq(FILE_BATCH.LESSON_ID))
                .where(FILE_BATCH.ID.eq(id), LESSON.REMOVED_AT.isNull())
                .fetchOptional(row -> new Batch(row.value1(), row.value2(), row.value3(), row.value4()));
    }

    List<StoredFile> files(String batchId) {
        return looking.selectFrom(BATCH_FILE)
                .where(BATCH_FILE.BATCH_ID.eq(batchId))
                .orderBy(BATCH_FILE.NUMBER)
                .fetch(FileBatchStore::file);
    }

    List<Summary> ofLesson(LessonRef lesson) {
        return looking.select(
                        FILE_BATCH.ID,
                        FILE_BATCH.BEGUN_AT,
                        count(),
                        count(coalesce(BATCH_FILE.TAKE_ID, BATCH_FILE.LONG_RECORDING_ID)))
                .from(FILE_BATCH)
                .join(BATCH_FILE)
                .on(BATCH_FILE.BATCH_ID.eq(FILE_BATCH.ID))
                .where(FILE_BATCH.LESSON_ID.eq(lesson.id()), FILE_BATCH.PUT_AWAY_AT.isNull())
                .groupBy(FILE_BATCH.ID)
                .orderBy(FILE_BATCH.BEGUN_AT.desc())
                .fetch(row -> new Summary(row.value1(), row.value2(), row.value3(), row.value4()));
    }

    /** The teacher says where a file belongs: to a line, to a page, or nowhere. */
    void place(String batchId, int number, String lineId, String pageId) {
        writing.update(BATCH_FILE)
                .set(BATCH_FILE.CHOSEN, true)
                .set(BATCH_FILE.LINE_ID, lineId)
                .set(BATCH_FILE.PAGE_ID, pageId)
                .where(BATCH_FILE.BATCH_ID.eq(batchId), BATCH_FILE.NUMBER.eq(number))
                .execute();
    }

    /** From now on a file is to be taken at the place that it has. */
    void want(String batchId, int number, String lineId, String pageId) {
        writing.update(BATCH_FILE)
                .set(BATCH_FILE.WANTED, true)
                .set(BATCH_FILE.LINE_ID, lineId)
                .set(BATCH_FILE.PAGE_ID, pageId)
                .setNull(BATCH_FILE.REFUSAL)
                .where(BATCH_FILE.BATCH_ID.eq(batchId), BATCH_FILE.NUMBER.eq(number))
                .execute();
    }

    void taken(String batchId, int number, String takeId, String longRecordingId, Refusal.Reason refusal) {
        writing.update(BATCH_FILE)
                .set(BATCH_FILE.WANTED, false)
                .set(BATCH_FILE.TAKE_ID, takeId)
                .set(BATCH_FILE.LONG_RECORDING_ID, longRecordingId)
                .set(BATCH_FILE.REFUSAL, refusal == null ? null : refusal.name())
                .where(BATCH_FILE.BATCH_ID.eq(batchId), BATCH_FILE.NUMBER.eq(number))
                .execute();
    }

    void putAway(String id, long now) {
        writing.update(FILE_BATCH)
                .set(FILE_BATCH.PUT_AWAY_AT, now)
                .where(FILE_BATCH.ID.eq(id))
                .execute();
    }

    Collection<String> withWork() {
        return looking.selectDistinct(BATCH_FILE.BATCH_ID)
                .from(BATCH_FILE)
                .where(BATCH_FILE.WANTED.isTrue())
                .fetch(BATCH_FILE.BATCH_ID);
    }

    private static StoredFile file(BatchFileRecord row) {
        return new StoredFile(
                row.getNumber(),
                row.getFileName(),
                row.getRawHash(),
                row.getDurationMs() == null ? 0 : row.getDurationMs(),
                row.getRefusal() == null ? null : Refusal.Reason.valueOf(row.getRefusal()),
                row.getChosen(),
                row.getLineId(),
                row.getPageId(),
                row.getWanted(),
                row.getTakeId(),
                row.getLongRecordingId());
    }
}
