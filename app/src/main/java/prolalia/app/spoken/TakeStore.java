package prolalia.app.spoken;

import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.SPOKEN;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.TAKE_EDITS;
import static prolalia.app.platform.db.Tables.TAKE_FINDING;
import static prolalia.app.platform.db.Tables.TAKE_WORD_TIMES;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Result;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.KeptTakes;
import prolalia.core.script.LessonChange.TakePlace;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;
import prolalia.media.process.SoundRequest.MadeTake;
import prolalia.media.process.SoundRequest.Rendered;

@Repository
class TakeStore {
    /** In what order rows came in: SQLite counts them. */
    private static final Field<Long> ADDED = DSL.field("take.rowid", Long.class);

    /** The take that sounds for its line in the voice it is in. */
    private static final Field<String> KEPT = KeptTakes.of(LINE.ID, TAKE.VOICE).as("kept");

    private final DSLContext writing;
    private final DSLContext looking;

    TakeStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void add(StoredTake take) {
        writing.insertInto(TAKE)
                .set(TAKE.ID, take.id())
                .set(TAKE.LINE_ID, take.lineId())
                .set(TAKE.RECORDING_ID, take.recordingId())
                .set(TAKE.WORDS, take.words())
                .set(TAKE.ORIGINAL_HASH, take.originalHash())
                .set(TAKE.SOUND_HASH, take.soundHash())
                .set(TAKE.DURATION_MS, take.durationMs())
                .set(TAKE.TRIM_START_MS, take.trimStartMs())
                .set(TAKE.TRIM_END_MS, take.trimEndMs())
                .set(TAKE.GAIN_DB, take.gainDb())
                .set(TAKE.LOUDNESS_LUFS, take.loudnessLufs())
                .set(TAKE.PEAKS, take.peaks().values())
                .set(TAKE.TRUNCATED, take.truncated())
                .set(TAKE.CREATED_AT, take.createdAt())
                .set(TAKE.VOICE, take.voice())
                .execute();
        addFindings(take.id(), take.findings());
    }

    private void addFindings(String takeId, List<Finding> findings) {
        for (Finding finding : findings) {
            writing.insertInto(TAKE_FINDING)
                    .set(TAKE_FINDING.TAKE_ID, takeId)
                    .set(TAKE_FINDING.KIND, finding.kind().name())
                    .set(TAKE_FINDING.START_MS, finding.place().startMs())
                    .set(TAKE_FINDING.END_MS, finding.place().endMs())
                    .execute();
        }
    }

    /** The take sounds otherwise; places in it are those of its sound from now on. */
    void resound(String takeId, MadeTake made, String soundHash) {
        writing.update(TAKE)
                .set(TAKE.SOUND_HASH, soundHash)
                .set(TAKE.DURATION_MS, made.durationMs())
                .set(TAKE.TRIM_START_MS, made.trim().startMs())
                .set(TAKE.TRIM_END_MS, made.trim().endMs())
                .set(TAKE.GAIN_DB, made.gainDb())
                .set(TAKE.LOUDNESS_LUFS, made.loudnessLufs())
                .set(TAKE.PEAKS, made.peaks())
                .where(TAKE.ID.eq(takeId))
                .execute();
    }

    /**
     * Another part of what was recorded is the take's.
     *
     * @param was the take, which nobody touched
     * @return whether that is still so
     */
    boolean recut(StoredTake was, MadeTake made, Rendered heard, String originalHash, String soundHash) {
        int changed = writing.update(TAKE)
                .set(TAKE.ORIGINAL_HASH, originalHash)
                .set(TAKE.SOUND_HASH, soundHash)
                .set(TAKE.TRIM_START_MS, made.trim().startMs())
                .set(TAKE.TRIM_END_MS, made.trim().endMs())
                .set(TAKE.DURATION_MS, heard.durationMs())
                .set(TAKE.GAIN_DB, heard.gainDb())
                .set(TAKE.LOUDNESS_LUFS, heard.loudnessLufs())
                .set(TAKE.PEAKS, heard.peaks())
                .where(
                        TAKE.ID.eq(was.id()),
                        TAKE.LINE_ID.eq(was.lineId()),
                        TAKE.ORIGINAL_HASH.eq(was.originalHash()),
                        TAKE.ACCEPTED_AT.isNull(),
                        notExists(selectOne().from(TAKE_EDITS).where(TAKE_EDITS.TAKE_ID.eq(TAKE.ID))),
                        notExists(selectOne().from(TAKE_WORD_TIMES).where(TAKE_WORD_TIMES.TAKE_ID.eq(TAKE.ID))))
                .execute();
        return changed == 1;
    }

    /** A take whose sound wasn't there can be heard from now on. What was edited meanwhile was rendered for that. */
    void setSound(String takeId, Rendered made, String soundHash) {
        writing.update(TAKE)
                .set(TAKE.SOUND_HASH, soundHash)
                .set(TAKE.DURATION_MS, made.durationMs())
                .set(TAKE.GAIN_DB, made.gainDb())
                .set(TAKE.LOUDNESS_LUFS, made.loudnessLufs())
                .set(TAKE.PEAKS, made.peaks())
                .where(TAKE.ID.eq(takeId), TAKE.SOUND_HASH.eq(TAKE.ORIGINAL_HASH))
                .execute();
    }

    /** Takes whose sound isn't made as yet, the oldest first. */
    List<String> withoutSound() {
        return looking.select(TAKE.ID)
                .from(TAKE)
                .where(TAKE.SOUND_HASH.eq(TAKE.ORIGINAL_HASH))
                .orderBy(TAKE.CREATED_AT)
                .fetch(TAKE.ID);
    }

    /** Gives a take to a line, with its recording. */
    void move(String takeId, TakePlace to) {
        writing.update(TAKE)
                .set(TAKE.LINE_ID, to.lineId())
                .set(TAKE.WORDS, to.words())
                .where(TAKE.ID.eq(takeId))
                .execute();
        writing.update(SPOKEN)
                .set(SPOKEN.LINE_ID, to.lineId())
                .where(SPOKEN.ID.eq(DSL.select(TAKE.RECORDING_ID).from(TAKE).where(TAKE.ID.eq(takeId))))
                .execute();
    }

    /**
     * Puts other findings in the place of a take's.
     *
     * @param stillAccepted whether what the teacher said of it holds for these too
     */
    void replaceFindings(String takeId, List<Finding> findings, boolean stillAccepted) {
        writing.deleteFrom(TAKE_FINDING).where(TAKE_FINDING.TAKE_ID.eq(takeId)).execute();
        addFindings(takeId, findings);
        if (!stillAccepted) {
            writing.update(TAKE)
                    .setNull(TAKE.ACCEPTED_AT)
                    .where(TAKE.ID.eq(takeId))
                    .execute();
        }
    }

    /** The teacher says that a take is fine as it is. */
    void accept(String takeId, long now) {
        writing.update(TAKE)
                .set(TAKE.ACCEPTED_AT, now)
                .where(TAKE.ID.eq(takeId))
                .execute();
    }

    /** All kept takes of a lesson that the sound check has something to say of are fine; answers how many. */
    int acceptAll(LessonRef lesson, long now) {
        return writing.update(TAKE)
                .set(TAKE.ACCEPTED_AT, now)
                .where(
                        TAKE.ACCEPTED_AT.isNull(),
                        TAKE.ID.in(DSL.select(TAKE_FINDING.TAKE_ID).from(TAKE_FINDING)),
                        TAKE.ID.in(DSL.select(KeptTakes.of(LINE.ID))
                                .from(LINE)
                                .join(PAGE)
                                .on(PAGE.ID.eq(LINE.PAGE_ID))
                                .where(PAGE.LESSON_ID.eq(lesson.id()), LINE.REMOVED_AT.isNull())))
                .execute();
    }

    /** Takes that back. */
    void unaccept(LessonRef lesson, long at) {
        writing.update(TAKE)
                .setNull(TAKE.ACCEPTED_AT)
                .where(
                        TAKE.ACCEPTED_AT.eq(at),
                        TAKE.LINE_ID.in(DSL.select(LINE.ID)
                                .from(LINE)
                                .join(PAGE)
                                .on(PAGE.ID.eq(LINE.PAGE_ID))
                                .where(PAGE.LESSON_ID.eq(lesson.id()))))
                .execute();
    }

    /** @param removedAt null: it is there again */
    void setRemoved(String takeId, Long removedAt) {
        writing.update(TAKE)
                .set(TAKE.REMOVED_AT, removedAt)
                .where(TAKE.ID.eq(takeId))
                .execute();
    }

    Optional<StoredTake> find(String takeId, Condition may) {
        return where(looking, TAKE.ID.eq(takeId).and(may)).stream().findFirst();
    }

    Optional<StoredTake> find(String takeId) {
        return where(looking, TAKE.ID.eq(takeId)).stream().findFirst();
    }

    List<StoredTake> find(Collection<String> takeIds) {
        return where(looking, TAKE.ID.in(takeIds));
    }

    Optional<StoredTake> ofRecording(String recordingId) {
        return where(looking, TAKE.RECORDING_ID.eq(recordingId)).stream().findFirst();
    }

    /** All takes of a line, and of the places of a standing line, newest first. */
    List<StoredTake> ofLine(String lineId) {
        return where(
                looking,
                TAKE.REMOVED_AT.isNull(),
                TAKE.LINE_ID
                        .eq(lineId)
                        .or(TAKE.LINE_ID.in(
                                writing.select(LINE.ID).from(LINE).where(LINE.STANDING_LINE_ID.eq(lineId)))));
    }

    Optional<StoredTake> lastOf(String teacherId) {
        return looking.select(TAKE.ID)
                .from(TAKE)
                .join(LINE)
                .on(LINE.ID.eq(TAKE.LINE_ID))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(
                        LESSON.TEACHER_ID.eq(teacherId),
                        LESSON.REMOVED_AT.isNull(),
                        LINE.REMOVED_AT.isNull(),
                        TAKE.REMOVED_AT.isNull())
                .orderBy(TAKE.CREATED_AT.desc())
                .limit(1)
                .fetchOptional(TAKE.ID)
                .flatMap(id -> where(looking, TAKE.ID.eq(id)).stream().findFirst());
    }

    private static List<StoredTake> where(DSLContext context, Condition... condition) {
        Result<?> rows = context.select(TAKE.asterisk(), KEPT)
                .from(TAKE)
                .join(LINE)
                .on(LINE.ID.eq(TAKE.LINE_ID))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(condition)
                .orderBy(TAKE.CREATED_AT.desc(), ADDED.desc())
                .fetch();
        Map<String, List<Finding>> findings = context.selectFrom(TAKE_FINDING)
                .where(TAKE_FINDING.TAKE_ID.in(rows.getValues(TAKE.ID)))
                .orderBy(TAKE_FINDING.START_MS)
                .fetchGroups(TAKE_FINDING.TAKE_ID, TakeStore::finding);
        return rows.map(row -> take(row, findings.getOrDefault(row.get(TAKE.ID), List.of())));
    }

    private static Finding finding(Record row) {
        return new Finding(
                Finding.Kind.valueOf(row.get(TAKE_FINDING.KIND)),
                new Span(row.get(TAKE_FINDING.START_MS), row.get(TAKE_FINDING.END_MS)));
    }

    private static StoredTake take(Record row, List<Finding> findings) {
        return new StoredTake(
                row.get(TAKE.ID),
                row.get(TAKE.LINE_ID),
                row.get(TAKE.RECORDING_ID),
                row.get(TAKE.WORDS),
                row.get(TAKE.ORIGINAL_HASH),
                row.get(TAKE.SOUND_HASH),
                row.get(TAKE.DURATION_MS),
                row.get(TAKE.TRIM_START_MS),
                row.get(TAKE.TRIM_END_MS),
                row.get(TAKE.GAIN_DB),
                row.get(TAKE.LOUDNESS_LUFS),
                new Peaks(row.get(TAKE.PEAKS)),
                row.get(TAKE.TRUNCATED),
                row.get(TAKE.CREATED_AT),
                row.get(TAKE.ID).equals(row.get(KEPT)),
                findings,
                row.get(TAKE.ACCEPTED_AT) != null,
                row.get(TAKE.VOICE));
    }
}
