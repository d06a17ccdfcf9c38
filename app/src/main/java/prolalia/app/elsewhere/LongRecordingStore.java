package prolalia.app.elsewhere;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LONG_RECORDING;
import static prolalia.app.platform.db.Tables.SPLIT_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.elsewhere.LongRecording.SplitLine;
import prolalia.app.elsewhere.LongRecording.State;
import prolalia.app.platform.db.tables.records.SplitLineRecord;
import prolalia.core.align.SplitFinding;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Long recordings and where their lines are. */
@Repository
class LongRecordingStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    LongRecordingStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    void add(String id, LessonRef lesson, String pageId, String fileName, String rawHash, long now) {
        writing.insertInto(LONG_RECORDING)
                .set(LONG_RECORDING.ID, id)
                .set(LONG_RECORDING.LESSON_ID, lesson.id())
                .set(LONG_RECORDING.PAGE_ID, pageId)
                .set(LONG_RECORDING.FILE_NAME, fileName)
                .set(LONG_RECORDING.RAW_HASH, rawHash)
                .set(LONG_RECORDING.STATE, stored(State.ARRIVED))
                .set(LONG_RECORDING.ARRIVED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    void refuse(String id, Refusal.Reason reason) {
        writing.update(LONG_RECORDING)
                .set(LONG_RECORDING.STATE, stored(State.REFUSED))
                .set(LONG_RECORDING.REFUSAL, reason.name())
                .where(LONG_RECORDING.ID.eq(id))
                .execute();
    }

    /** The recording was listened to, and its lines were looked for. */
    void split(
            String id,
            prolalia.media.LongRecording.Outline outline,
            String flacHash,
            List<SplitFinding> findings,
            List<SplitLine> lines) {
        writing.update(LONG_RECORDING)
                .set(LONG_RECORDING.STATE, stored(State.SPLIT))
                .set(LONG_RECORDING.DURATION_MS, outline.durationMs())
                .set(LONG_RECORDING.FLAC_HASH, flacHash)
                .set(LONG_RECORDING.OUTLINE, outline.magnitudes())
                .set(LONG_RECORDING.PIECES, json.writeValueAsString(outline.pieces()))
                .set(LONG_RECORDING.FINDINGS, json.writeValueAsString(findings))
                .where(LONG_RECORDING.ID.eq(id))
                .execute();
        writing.deleteFrom(SPLIT_LINE)
                .where(SPLIT_LINE.LONG_RECORDING_ID.eq(id))
                .execute();
        List<SplitLineRecord> rows = new ArrayList<>();
        for (SplitLine line : lines) {
            SplitLineRecord row = writing.newRecord(SPLIT_LINE);
            row.setLongRecordingId(id);
            row.setLineId(line.lineId());
            row.setPosition(line.number());
            row.setWords(line.words());
            row.setStartMs(line.span() == null ? null : line.span().startMs());
            row.setEndMs(line.span() == null ? null : line.span().endMs());
            row.setFoundStartMs(row.getStartMs());
            row.setFoundEndMs(row.getEndMs());
            row.setConfidence(line.confidence());
            row.setPlaced(false);
            row.setWanted(false);
            rows.add(row);
        }
        writing.batchInsert(rows).execute();
    }

    /** @param span null: the line isn't in the recording */
    void place(String id, String lineId, Span span, boolean placed) {
        writing.update(SPLIT_LINE)
                .set(SPLIT_LINE.START_MS, span == null ? null : span.startMs())
                .set(SPLIT_LINE.END_MS, span == null ? null : span.endMs())
                .set(SPLIT_LINE.PLACED, placed)
                .setNull(SPLIT_LINE.REFUSAL)
                .where(SPLIT_LINE.LONG_RECORDING_ID.eq(id), SPLIT_LINE.LINE_ID.eq(lineId))
                .execute();
    }

    void want(String id, List<String> lineIds) {
        writing.update(SPLIT_LINE)
                .set(SPLIT_LINE.WANTED, true)
                .setNull(SPLIT_LINE.REFUSAL)
                .where(
                        SPLIT_LINE.LONG_RECORDING_ID.eq(id),
                        SPLIT_LINE.LINE_ID.in(lineIds),
                        SPLIT_LINE.START_MS.isNotNull(),
                        SPLIT_LINE.TAKE_ID.isNull())
                .execute();
    }

    /** What became of a line that was wanted: a take, or the reason why there is none. */
    void taken(String id, String lineId, String takeId, Refusal.Reason refusal) {
        writing.update(SPLIT_LINE)
                .set(SPLIT_LINE.WANTED, false)
                .set(SPLIT_LINE.TAKE_ID, takeId)
                .set(SPLIT_LINE.REFUSAL, refusal == null ? null : refusal.name())
                .where(SPLIT_LINE.LONG_RECORDING_ID.eq(id), SPLIT_LINE.LINE_ID.eq(lineId))
                .execute();
    }

    void putAway(String id, Long at) {
        writing.update(LONG_RECORDING)
                .set(LONG_RECORDING.PUT_AWAY_AT, at)
                .where(LONG_RECORDING.ID.eq(id))
                .execute();
    }

    Optional<LongRecording> find(String id) {
        return where(LONG_RECORDING.ID.eq(id)).stream().findFirst();
    }

    /** Those of a lesson that weren't put away, newest first. */
    List<LongRecording> ofLesson(LessonRef lesson) {
        return where(LONG_RECORDING.LESSON_ID.eq(lesson.id()).and(LONG_RECORDING.PUT_AWAY_AT.isNull()));
    }

    byte[] outline(String id) {
        return looking.select(LONG_RECORDING.OUTLINE)
                .from(LONG_RECORDING)
                .where(LONG_RECORDING.ID.eq(id))
                .fetchOne(LONG_RECORDING.OUTLINE);
    }

    /** The recordings that have something to be done: to be listened to, or lines to be taken. */
    List<String> withWork() {
        return looking.select(LONG_RECORDING.ID)
                .from(LONG_RECORDING)
                .where(LONG_RECORDING
                        .STATE
                        .eq(stored(State.ARRIVED))
                        .or(LONG_RECORDING.ID.in(writing.select(SPLIT_LINE.LONG_RECORDING_ID)
                                .from(SPLIT_LINE)
                                .where(SPLIT_LINE.WANTED.isTrue()))))
                .fetch(LONG_RECORDING.ID);
    }

    private List<LongRecording> where(org.jooq.Condition condition) {
        // Read to the end first: the one writing connection can't answer a second question meanwhile.
        return looking.select(LONG_RECORDING.asterisk().except(LONG_RECORDING.OUTLINE), LESSON.TEACHER_ID)
                .from(LONG_RECORDING)
                .join(LESSON)
                .on(LESSON.ID.eq(LONG_RECORDING.LESSON_ID))
                .where(condition, LESSON.REMOVED_AT.isNull())
                .orderBy(LONG_RECORDING.ARRIVED_AT.desc())
                .fetch()
                .map(this::recording);
    }

    private LongRecording recording(Record row) {
        String pieces = row.get(LONG_RECORDING.PIECES);
        String findings = row.get(LONG_RECORDING.FINDINGS);
        String refusal = row.get(LONG_RECORDING.REFUSAL);
        Long durationMs = row.get(LONG_RECORDING.DURATION_MS);
        return new LongRecording(
                row.get(LONG_RECORDING.ID),
                row.get(LONG_RECORDING.LESSON_ID),
                row.get(LESSON.TEACHER_ID),
                row.get(LONG_RECORDING.PAGE_ID),
                row.get(LONG_RECORDING.FILE_NAME),
                row.get(LONG_RECORDING.RAW_HASH),
                State.valueOf(row.get(LONG_RECORDING.STATE).toUpperCase(Locale.ROOT)),
                refusal == null ? null : Refusal.Reason.valueOf(refusal),
                durationMs == null ? 0 : durationMs,
                row.get(LONG_RECORDING.FLAC_HASH),
                pieces == null ? List.of() : json.readValue(pieces, new TypeReference<List<Span>>() {}),
                findings == null ? List.of() : json.readValue(findings, new TypeReference<List<SplitFinding>>() {}),
                lines(row.get(LONG_RECORDING.ID)),
                row.get(LONG_RECORDING.ARRIVED_AT));
    }

    private List<SplitLine> lines(String id) {
        return looking.selectFrom(SPLIT_LINE)
                .where(SPLIT_LINE.LONG_RECORDING_ID.eq(id))
                .orderBy(SPLIT_LINE.POSITION)
                .fetch(row -> new SplitLine(
                        row.getLineId(),
                        row.getPosition(),
                        row.getWords(),
                        span(row.getStartMs(), row.getEndMs()),
                        span(row.getFoundStartMs(), row.getFoundEndMs()),
                        row.getConfidence(),
                        row.getPlaced(),
                        row.getWanted(),
                        row.getTakeId(),
                        row.getRefusal() == null ? null : Refusal.Reason.valueOf(row.getRefusal())));
    }

    private static Span span(Long startMs, Long endMs) {
        return startMs == null ? null : new Span(startMs, endMs);
    }

    private static String stored(State state) {
        return state.name().toLowerCase(Locale.ROOT);
    }
}
