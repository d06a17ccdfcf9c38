package prolalia.app.sound;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.RECORDING;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.sound.StoredRecording.State;
import prolalia.core.sound.Refusal;

@Repository
class RecordingStore {
    private final DSLContext writing;
    private final DSLContext looking;

    RecordingStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    Optional<StoredRecording> find(String id) {
        return where(RECORDING.ID.eq(id)).stream().findFirst();
    }

    List<StoredRecording> inState(State state) {
        return where(RECORDING.STATE.eq(state.stored()));
    }

    /** Recordings in which somebody speaks that nobody ended, and that nothing has come in for since {@code quietSince}. */
    /** @param left of which it is known that nobody records them any more */
    List<StoredRecording> unfinished(String speakerId, long quietSince, Collection<String> left) {
        return where(RECORDING
                .STATE
                .eq(State.OPEN.stored())
                .and(RECORDING.SPEAKER_ID.eq(speakerId))
                .and(RECORDING.CHANGED_AT.le(quietSince).or(RECORDING.ID.in(left))));
    }

    List<StoredRecording> refusedOf(String lineId) {
        return where(RECORDING
                .TARGET_ID
                .eq(lineId)
                .and(RECORDING.STATE.eq(State.REFUSED.stored()))
                .and(RECORDING.REFUSAL.in(Arrays.stream(Refusal.Reason.values())
                        .filter(Refusal.Reason::hasSoundInIt)
                        .map(Enum::name)
                        .toList()))
                .and(RECORDING.RAW_HASH.isNotNull()));
    }

    private List<StoredRecording> where(Condition condition) {
        return looking.select(RECORDING.asterisk(), PAGE.LESSON_ID, LESSON.TEACHER_ID)
                .from(RECORDING)
                .join(LINE)
                .on(LINE.ID.eq(RECORDING.TARGET_ID), RECORDING.PURPOSE.eq(RecordingPurpose.LINE.stored()))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(condition)
                .orderBy(RECORDING.STARTED_AT.desc())
                .fetch(RecordingStore::recording);
    }

    private static StoredRecording recording(Record row) {
        return new StoredRecording(
                row.get(RECORDING.ID),
                row.get(RECORDING.TARGET_ID),
                row.get(PAGE.LESSON_ID),
                row.get(LESSON.TEACHER_ID),
                row.get(RECORDING.SPEAKER_ID),
                row.get(RECORDING.WORDS),
                row.get(RECORDING.MEDIA_TYPE),
                State.of(row.get(RECORDING.STATE)),
                row.get(RECORDING.FILE_NAME),
                row.get(RECORDING.RAW_HASH),
                row.get(RECORDING.CHUNKS),
                Optional.ofNullable(row.get(RECORDING.REFUSAL))
                        .map(Refusal.Reason::valueOf)
                        .orElse(null),
                row.get(RECORDING.DURATION_MS),
                row.get(RECORDING.STARTED_AT),
                row.get(RECORDING.CHANGED_AT));
    }

    /**
     * Adds an open recording of a line unless there is one of this id.
     *
     * @param speakerId who speaks in it
     */
    void open(String id, String lineId, String speakerId, String words, String mediaType, String fileName, long now) {
        writing.insertInto(RECORDING)
                .set(RECORDING.ID, id)
                .set(RECORDING.PURPOSE, RecordingPurpose.LINE.stored())
                .set(RECORDING.TARGET_ID, lineId)
                .set(RECORDING.SPEAKER_ID, speakerId)
                .set(RECORDING.WORDS, words)
                .set(RECORDING.MEDIA_TYPE, mediaType)
                .set(RECORDING.STATE, State.OPEN.stored())
                .set(RECORDING.FILE_NAME, fileName)
                .set(RECORDING.STARTED_AT, now)
                .set(RECORDING.CHANGED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    void setWords(String id, String words) {
        writing.update(RECORDING)
                .set(RECORDING.WORDS, words)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    void touch(String id, long now) {
        writing.update(RECORDING)
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    /** @param chunks that it was put together of */
    void seal(String id, String rawHash, int chunks, long now) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, State.SEALED.stored())
                .set(RECORDING.RAW_HASH, rawHash)
                .set(RECORDING.CHUNKS, chunks)
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    /** More of it came in after it was put together. */
    void extend(String id, String rawHash, int chunks) {
        writing.update(RECORDING)
                .set(RECORDING.RAW_HASH, rawHash)
                .set(RECORDING.CHUNKS, chunks)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    void conclude(String id, State state, Refusal.Reason refusal, String rawHash, long durationMs, long now) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, state.stored())
                .set(RECORDING.REFUSAL, refusal == null ? null : refusal.name())
                .set(RECORDING.RAW_HASH, rawHash)
                .set(RECORDING.DURATION_MS, durationMs)
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    /** Nobody ended it, and it isn't thrown away any more. */
    void reopen(String id) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, State.OPEN.stored())
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    void discard(String id, long now) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, State.DISCARDED.stored())
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id))
                .execute();
    }
}
