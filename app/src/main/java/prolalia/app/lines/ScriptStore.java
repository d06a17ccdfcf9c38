package prolalia.app.lines;

import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.nullif;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
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
import prolalia.app.access.LessonRef;
import prolalia.app.platform.KeptTakes;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Take;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/** The script as it is read and heard: lines with the takes that are kept on them. */
@Repository
class ScriptStore {
    /** Whether the sound check found something in the take that the teacher hasn't accepted. */
    private static final Field<Boolean> DOUBTFUL = field(exists(
                    selectOne().from(TAKE_FINDING).where(TAKE_FINDING.TAKE_ID.eq(TAKE.ID), TAKE.ACCEPTED_AT.isNull())))
            .as("doubtful");

    /** The MP3 of a take; null until it is made, when the original stands in its place. */
    static final Field<String> HEARD =
            nullif(TAKE.SOUND_HASH, TAKE.ORIGINAL_HASH).as("heard");

    private final DSLContext looking;

    ScriptStore(@Qualifier("looking") DSLContext looking) {
        this.looking = looking;
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
                .fetchGroups(PAGE.LESSON_ID, ScriptStore::line);
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
                .fetch(ScriptStore::take);
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
                .fetchGroups(TAKE_FINDING.TAKE_ID, ScriptStore::finding);
        return context.select(
                        LINE.ID,
                        LINE.WORDS,
                        LINE.REVISION,
                        LINE.STANDING_LINE_ID,
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
                .select(LineStore.TRAITS)
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
                Optional.of(row).filter(each -> each.get(TAKE.ID) != null).map(ScriptStore::take);
        return new Line(row.get(LINE.ID), LineStore.traits(row), row.get(LINE.WORDS), kept);
    }

    private static Take take(Record row) {
        return new Take(row.get(TAKE.ID), row.get(TAKE.WORDS), row.get(TAKE.DURATION_MS), row.get(DOUBTFUL));
    }
}
