package prolalia.app.sound;

import static prolalia.app.platform.db.Tables.RECORDING;
import static prolalia.app.platform.db.Tables.SPOKEN_ANSWER;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.db.tables.records.RecordingRecord;
import prolalia.app.sound.StoredRecording.State;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Refusal;
import prolalia.media.process.SoundRequest.HeardAnswer;
import prolalia.media.process.SoundRequest.Rendered;

/** Recordings in which a student answers. */
@Repository
class AnswerRecordingStore {
    private static final List<String> SPOKEN_BACK =
            List.of(RecordingPurpose.ANSWER.stored(), RecordingPurpose.REMARK.stored());

    private final DSLContext writing;
    private final DSLContext looking;

    AnswerRecordingStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A recording as it stands. */
    record Known(
            String id,
            RecordingPurpose purpose,
            String target,
            String speakerId,
            State state,
            String rawHash,
            int chunks,
            String refusal,
            Long durationMs) {
        /** Whether it was put together. */
        boolean isEnded() {
            return state == State.TAKEN || state == State.REFUSED;
        }

        AnswerPlace place() {
            return AnswerPlace.of(purpose, target, speakerId);
        }
    }

    Optional<Known> find(String id) {
        return looking.selectFrom(RECORDING)
                .where(RECORDING.ID.eq(id), RECORDING.PURPOSE.in(SPOKEN_BACK))
                .fetchOptional(AnswerRecordingStore::known);
    }

    private static Known known(RecordingRecord row) {
        return new Known(
                row.getId(),
                RecordingPurpose.valueOf(row.getPurpose().toUpperCase(Locale.ROOT)),
                row.getTargetId(),
                row.getSpeakerId(),
                State.of(row.getState()),
                row.getRawHash(),
                row.getChunks(),
                row.getRefusal(),
                row.getDurationMs());
    }

    /** Adds an open recording unless there is one of this id. */
    void open(String id, AnswerPlace place, String mediaType, long now) {
        writing.insertInto(RECORDING)
                .set(RECORDING.ID, id)
                .set(RECORDING.PURPOSE, place.purpose().stored())
                .set(RECORDING.TARGET_ID, place.target())
                .set(RECORDING.SPEAKER_ID, place.speakerId())
                .set(RECORDING.WORDS, "")
                .set(RECORDING.MEDIA_TYPE, mediaType)
                .set(RECORDING.STATE, State.OPEN.stored())
                .set(RECORDING.STARTED_AT, now)
                .set(RECORDING.CHANGED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    /** As it is heard now, whatever was heard of it before. */
    void taken(
            Known recording, String rawHash, int chunks, Rendered made, HeardAnswer heard, String soundHash, long now) {
        AnswerPlace place = recording.place();
        conclude(recording.id(), State.TAKEN, null, rawHash, chunks, made.durationMs(), now);
        writing.insertInto(SPOKEN_ANSWER)
                .set(SPOKEN_ANSWER.RECORDING_ID, recording.id())
                .set(SPOKEN_ANSWER.RESPONSE_ID, place.responseId())
                .set(SPOKEN_ANSWER.QUESTION_ID, place.questionId())
                .set(SPOKEN_ANSWER.AT, now)
                .set(SPOKEN_ANSWER.SOUND_HASH, soundHash)
                .set(SPOKEN_ANSWER.DURATION_MS, made.durationMs())
                .set(SPOKEN_ANSWER.PEAKS, made.peaks())
                .set(SPOKEN_ANSWER.CHECKS, AnswerCheck.written(heard.checks()))
                .set(
                        SPOKEN_ANSWER.SKIPS,
                        heard.skips().stream()
                                .map(span -> span.startMs() + "-" + span.endMs())
                                .collect(Collectors.joining(" ")))
                .onConflict(SPOKEN_ANSWER.RECORDING_ID)
                .doUpdate()
                .setAllToExcluded()
                .execute();
    }

    /** Those that nobody ended as yet. */
    List<Known> brokenOff() {
        return looking.select(RECORDING.fields())
                .from(SPOKEN_ANSWER)
                .join(RECORDING)
                .on(RECORDING.ID.eq(SPOKEN_ANSWER.RECORDING_ID))
                .where(
                        RECORDING.PURPOSE.eq(RecordingPurpose.ANSWER.stored()),
                        SPOKEN_ANSWER.CHECKS.contains(AnswerCheck.BROKEN_OFF.name()))
                .fetchInto(RECORDING)
                .map(AnswerRecordingStore::known);
    }

    /** Whoever said it ended it after all, and there was nothing more of it. */
    void isWhole(String recordingId) {
        String checks = looking.select(SPOKEN_ANSWER.CHECKS)
                .from(SPOKEN_ANSWER)
                .where(SPOKEN_ANSWER.RECORDING_ID.eq(recordingId))
                .fetchOptional(SPOKEN_ANSWER.CHECKS)
                .orElse("");
        List<AnswerCheck> whole = AnswerCheck.read(checks).stream()
                .filter(each -> each != AnswerCheck.BROKEN_OFF)
                .toList();
        if (!AnswerCheck.written(whole).equals(checks)) {
            writing.update(SPOKEN_ANSWER)
                    .set(SPOKEN_ANSWER.CHECKS, AnswerCheck.written(whole))
                    .where(SPOKEN_ANSWER.RECORDING_ID.eq(recordingId))
                    .execute();
        }
    }

    Optional<AnswerRecordings.Sounding> sounding(String recordingId) {
        return looking.selectFrom(SPOKEN_ANSWER)
                .where(SPOKEN_ANSWER.RECORDING_ID.eq(recordingId))
                .fetchOptional(row -> new AnswerRecordings.Sounding(row.getSoundHash(), row.getDurationMs()));
    }

    void refused(String id, Refusal.Reason reason, String rawHash, int chunks, long now) {
        conclude(id, State.REFUSED, reason, rawHash, chunks, 0, now);
    }

    private void conclude(
            String id, State state, Refusal.Reason reason, String rawHash, int chunks, long durationMs, long now) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, state.stored())
                .set(RECORDING.REFUSAL, reason == null ? null : reason.name())
                .set(RECORDING.RAW_HASH, rawHash)
                .set(RECORDING.CHUNKS, chunks)
                .set(RECORDING.DURATION_MS, durationMs)
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id))
                .execute();
    }

    void discard(String id, long now) {
        writing.update(RECORDING)
                .set(RECORDING.STATE, State.DISCARDED.stored())
                .set(RECORDING.CHANGED_AT, now)
                .where(RECORDING.ID.eq(id), RECORDING.STATE.eq(State.OPEN.stored()))
                .execute();
    }
}
