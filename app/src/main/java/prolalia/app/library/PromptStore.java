package prolalia.app.library;

import static org.jooq.impl.DSL.nullif;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PROMPT_LINE;
import static prolalia.app.platform.db.Tables.TAKE;

import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonSummary;
import prolalia.app.platform.KeptTakes;
import prolalia.core.lesson.Prompt;

/** What a student's page says itself, in the voices of teachers who said it. */
@Repository
class PromptStore {
    /** The MP3 of a take; null until it is made. */
    private static final Field<String> HEARD =
            nullif(TAKE.SOUND_HASH, TAKE.ORIGINAL_HASH).as("heard");

    private final DSLContext writing;
    private final DSLContext looking;

    PromptStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void add(String teacherId, Prompt prompt, String lineId) {
        writing.insertInto(PROMPT_LINE)
                .set(PROMPT_LINE.TEACHER_ID, teacherId)
                .set(PROMPT_LINE.PROMPT, prompt.name())
                .set(PROMPT_LINE.LINE_ID, lineId)
                .onConflict(PROMPT_LINE.TEACHER_ID, PROMPT_LINE.PROMPT)
                .doUpdate()
                .set(PROMPT_LINE.LINE_ID, lineId)
                .execute();
    }

    /** The page of the shelf on which a teacher's prompts stand, by prompt; those whose line was taken out are missing. */
    Map<Prompt, String> lines(String teacherId) {
        return looking.select(PROMPT_LINE.PROMPT, LINE.ID)
                .from(PROMPT_LINE)
                .join(LINE)
                .on(LINE.ID.eq(PROMPT_LINE.LINE_ID))
                .where(PROMPT_LINE.TEACHER_ID.eq(teacherId), LINE.REMOVED_AT.isNull())
                .fetchMap(row -> Prompt.valueOf(row.get(PROMPT_LINE.PROMPT)), row -> row.get(LINE.ID));
    }

    /** Those that the teacher of a lesson has voiced. */
    Map<Prompt, PromptVoice> ofLesson(LessonSummary lesson) {
        Field<String> teacher =
                DSL.field(DSL.select(LESSON.TEACHER_ID).from(LESSON).where(LESSON.ID.eq(lesson.id())));
        return voices(PROMPT_LINE.TEACHER_ID.eq(teacher));
    }

    /** Those that a teacher has voiced. */
    Map<Prompt, PromptVoice> ofTeacher(String teacherId) {
        return voices(PROMPT_LINE.TEACHER_ID.eq(teacherId));
    }

    private Map<Prompt, PromptVoice> voices(Condition condition) {
        return looking.select(PROMPT_LINE.PROMPT, TAKE.ID, HEARD, LINE.WORDS)
                .from(PROMPT_LINE)
                .join(LINE)
                .on(LINE.ID.eq(PROMPT_LINE.LINE_ID))
                .join(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(condition, LINE.REMOVED_AT.isNull())
                .fetchMap(
                        row -> Prompt.valueOf(row.get(PROMPT_LINE.PROMPT)),
                        row -> new PromptVoice(row.get(TAKE.ID), row.get(HEARD), row.get(LINE.WORDS)));
    }
}
