package prolalia.app.spoken;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.SPOKEN;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.spoken.RecordingOwner.OfAnswer;
import prolalia.app.spoken.RecordingOwner.OfLine;
import prolalia.app.spoken.StoredRecording.State;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Refusal;

/** All that was recorded, whatever it is for. */
@Repository
class RecordingStore {
    private final DSLContext writing;
    private final DSLContext looking;

    RecordingStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    Optional<StoredRecording> find(String id) {
        return where(SPOKEN.ID.eq(id)).stream().findFirst();
    }

    List<StoredRecording> inState(State state) {
        return where(SPOKEN.STATE.eq(state.stored()));
    }

    /**
     * Lines in which somebody speaks that nobody ended, and that nothing has come in for since {@code quietSince}.
     *
     * @param left of which it is known that nobody records them any more
     */
    List<StoredRecording> unfinished(String speakerId, long quietSince, Collection<String> left) {
        return where(SPOKEN.PURPOSE
                .eq(RecordingPurpose.LINE.stored())
                .and(SPOKEN.STATE.eq(State.OPEN.stored()))
                .and(SPOKEN.SPEAKER_ID.eq(speakerId))
                .and(SPOKEN.CHANGED_AT.le(quietSince).or(SPOKEN.ID.in(left))));
    }

    /** Those of a line that aren't takes, but have sound in them. */
    List<StoredRecording> refusedOf(String lineId) {
        return where(SPOKEN.LINE_ID
                .eq(lineId)
                .and(SPOKEN.STATE.eq(State.REFUSED.stored()))
                .and(SPOKEN.REFUSAL.in(Arrays.stream(Refusal.Reason.values())
                        .filter(Refusal.Reason::hasSoundInIt)
                        .map(Enum::name)
                        .toList()))
                .and(SPOKEN.RAW_HASH.isNotNull()));
    }

    /** Those that can be heard, but that nobody ended as yet. */
    List<StoredRecording> brokenOff() {
        return where(SPOKEN.CHECKS.contains(AnswerCheck.BROKEN_OFF.name()));
    }

    private List<StoredRecording> where(Condition condition) {
        return looking.select(SPOKEN.asterisk(), PAGE.LESSON_ID, LESSON.TEACHER_ID)
                .from(SPOKEN)
                .leftJoin(LINE)
                .on(LINE.ID.eq(SPOKEN.LINE_ID))
                .leftJoin(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .leftJoin(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(condition)
                .orderBy(SPOKEN.STARTED_AT.desc())
                .fetch(RecordingStore::recording);
    }

    private static StoredRecording recording(Record row) {
        RecordingPurpose purpose = RecordingPurpose.of(row.get(SPOKEN.PURPOSE));
        return new StoredRecording(
                row.get(SPOKEN.ID),
                purpose == RecordingPurpose.LINE
                        ? new OfLine(row.get(SPOKEN.LINE_ID), row.get(SPOKEN.VOICE))
                        : new OfAnswer(purpose, row.get(SPOKEN.RESPONSE_ID), row.get(SPOKEN.QUESTION_ID)),
                row.get(PAGE.LESSON_ID),
                row.get(LESSON.TEACHER_ID),
                row.get(SPOKEN.SPEAKER_ID),
                row.get(SPOKEN.WORDS),
                row.get(SPOKEN.MEDIA_TYPE),
                State.of(row.get(SPOKEN.STATE)),
                row.get(SPOKEN.FILE_NAME),
                row.get(SPOKEN.RAW_HASH),
                row.get(SPOKEN.CHUNKS),
                Optional.ofNullable(row.get(SPOKEN.REFUSAL))
                        .map(Refusal.Reason::valueOf)
                        .orElse(null),
                row.get(SPOKEN.DURATION_MS),
                row.get(SPOKEN.SOUND_HASH),
                row.get(SPOKEN.STARTED_AT),
                row.get(SPOKEN.CHANGED_AT));
    }

    /** Adds an open recording unless there is one of this id. */
    void open(String id, RecordingRight.Beginning beginning, String mediaType, String fileName, long now) {
        OfLine line = beginning.owner() instanceof OfLine of ? of : null;
        OfAnswer answer = beginning.owner() instanceof OfAnswer of ? of : null;
        writing.insertInto(SPOKEN)
                .set(SPOKEN.ID, id)
                .set(SPOKEN.PURPOSE, beginning.owner().purpose().stored())
                .set(SPOKEN.LINE_ID, line == null ? null : line.lineId())
                .set(SPOKEN.VOICE, line == null ? null : line.voice())
                .set(SPOKEN.RESPONSE_ID, answer == null ? null : answer.responseId())
                .set(SPOKEN.QUESTION_ID, answer == null ? null : answer.questionId())
                .set(SPOKEN.SPEAKER_ID, beginning.speakerId())
                .set(SPOKEN.WORDS, beginning.words())
                .set(SPOKEN.MEDIA_TYPE, mediaType)
                .set(SPOKEN.STATE, State.OPEN.stored())
                .set(SPOKEN.FILE_NAME, fileName)
                .set(SPOKEN.STARTED_AT, now)
                .set(SPOKEN.CHANGED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    void setWords(String id, String words) {
        writing.update(SPOKEN).set(SPOKEN.WORDS, words).where(SPOKEN.ID.eq(id)).execute();
    }

    void touch(String id, long now) {
        writing.update(SPOKEN)
                .set(SPOKEN.CHANGED_AT, now)
                .where(SPOKEN.ID.eq(id))
                .execute();
    }

    /** @param chunks that it was put together of */
    void seal(String id, String rawHash, int chunks, long now) {
        writing.update(SPOKEN)
                .set(SPOKEN.STATE, State.SEALED.stored())
                .set(SPOKEN.RAW_HASH, rawHash)
                .set(SPOKEN.CHUNKS, chunks)
                .set(SPOKEN.CHANGED_AT, now)
                .where(SPOKEN.ID.eq(id))
                .execute();
    }

    /** More of it came in after it was put together. */
    void extend(String id, String rawHash, int chunks) {
        writing.update(SPOKEN)
                .set(SPOKEN.RAW_HASH, rawHash)
                .set(SPOKEN.CHUNKS, chunks)
                .where(SPOKEN.ID.eq(id))
                .execute();
    }

    void refused(String id, Refusal.Reason reason, long durationMs, long now) {
        conclude(id, State.REFUSED, reason, durationMs, now);
    }

    /** @param heard as it is heard now, whatever was heard of it before; null where its take is heard */
    void taken(String id, long durationMs, Judgement.Heard heard, long now) {
        conclude(id, State.TAKEN, null, durationMs, now);
        if (heard != null) {
            writing.update(SPOKEN)
                    .set(SPOKEN.SOUND_HASH, heard.soundHash())
                    .set(SPOKEN.PEAKS, heard.peaks())
                    .set(SPOKEN.CHECKS, AnswerCheck.written(heard.checks()))
                    .set(
                            SPOKEN.SKIPS,
                            heard.skips().stream()
                                    .map(span -> span.startMs() + "-" + span.endMs())
                                    .collect(Collectors.joining(" ")))
                    .where(SPOKEN.ID.eq(id))
                    .execute();
        }
    }

    /** What came in as a take has no chunks, and is judged already. */
    void taken(String id, String rawHash, long durationMs, long now) {
        seal(id, rawHash, 0, now);
        taken(id, durationMs, null, now);
    }

    private void conclude(String id, State state, Refusal.Reason refusal, long durationMs, long now) {
        writing.update(SPOKEN)
                .set(SPOKEN.STATE, state.stored())
                .set(SPOKEN.REFUSAL, refusal == null ? null : refusal.name())
                .set(SPOKEN.DURATION_MS, durationMs)
                .set(SPOKEN.CHANGED_AT, now)
                .where(SPOKEN.ID.eq(id))
                .execute();
    }

    /** Whoever said it ended it after all, and there was nothing more of it. */
    void isWhole(String id) {
        String checks = looking.select(SPOKEN.CHECKS)
                .from(SPOKEN)
                .where(SPOKEN.ID.eq(id))
                .fetchOne(SPOKEN.CHECKS);
        List<AnswerCheck> found = AnswerCheck.read(checks);
        if (found.contains(AnswerCheck.BROKEN_OFF)) {
            writing.update(SPOKEN)
                    .set(
                            SPOKEN.CHECKS,
                            AnswerCheck.written(found.stream()
                                    .filter(check -> check != AnswerCheck.BROKEN_OFF)
                                    .toList()))
                    .where(SPOKEN.ID.eq(id), SPOKEN.CHECKS.eq(checks))
                    .execute();
        }
    }

    /** Nobody ended it, and it isn't thrown away any more. */
    void reopen(String id) {
        writing.update(SPOKEN)
                .set(SPOKEN.STATE, State.OPEN.stored())
                .where(SPOKEN.ID.eq(id))
                .execute();
    }

    void discard(String id, long now) {
        writing.update(SPOKEN)
                .set(SPOKEN.STATE, State.DISCARDED.stored())
                .set(SPOKEN.CHANGED_AT, now)
                .where(SPOKEN.ID.eq(id))
                .execute();
    }
}
