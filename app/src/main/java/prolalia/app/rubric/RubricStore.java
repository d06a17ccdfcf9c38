package prolalia.app.rubric;

import static org.jooq.impl.DSL.countDistinct;
import static org.jooq.impl.DSL.select;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.QUESTION_RUBRIC;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.RUBRIC;
import static prolalia.app.platform.db.Tables.RUBRIC_MARK;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.db.tables.records.RubricMarkRecord;
import prolalia.app.platform.db.tables.records.RubricRecord;
import prolalia.app.rubric.RubricService.Held;
import prolalia.app.rubric.RubricService.Level;
import prolalia.core.marking.Rubric;
import tools.jackson.databind.json.JsonMapper;

@Repository
class RubricStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    RubricStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    private Held held(RubricRecord row) {
        Rubric.Criterion[] criteria = json.readValue(row.getCriteria(), Rubric.Criterion[].class);
        return new Held(row.getId(), row.getTeacherId(), new Rubric(row.getName(), List.of(criteria)));
    }

    List<Held> ofTeacher(String teacherId) {
        return looking.selectFrom(RUBRIC)
                .where(RUBRIC.TEACHER_ID.eq(teacherId), RUBRIC.REMOVED_AT.isNull())
                .orderBy(RUBRIC.NAME, RUBRIC.MADE_AT)
                .fetch(this::held);
    }

    Optional<Held> find(String id) {
        return looking.selectFrom(RUBRIC)
                .where(RUBRIC.ID.eq(id), RUBRIC.REMOVED_AT.isNull())
                .fetchOptional(this::held);
    }

    void add(Held held, long now) {
        writing.insertInto(RUBRIC)
                .set(RUBRIC.ID, held.id())
                .set(RUBRIC.TEACHER_ID, held.teacherId())
                .set(RUBRIC.NAME, held.rubric().name())
                .set(RUBRIC.CRITERIA, json.writeValueAsString(held.rubric().criteria()))
                .set(RUBRIC.MADE_AT, now)
                .execute();
    }

    /** @param now null: it is there again */
    void setRemoved(String id, Long now) {
        writing.update(RUBRIC)
                .set(RUBRIC.REMOVED_AT, now)
                .where(RUBRIC.ID.eq(id))
                .execute();
    }

    Optional<Held> ofQuestion(String questionId) {
        return looking.select(RUBRIC.fields())
                .from(QUESTION_RUBRIC)
                .join(RUBRIC)
                .on(RUBRIC.ID.eq(QUESTION_RUBRIC.RUBRIC_ID), RUBRIC.REMOVED_AT.isNull())
                .where(QUESTION_RUBRIC.QUESTION_ID.eq(questionId))
                .fetchOptional(row -> held(row.into(RUBRIC)));
    }

    /** @param rubricId null: none */
    void use(String questionId, String rubricId) {
        writing.deleteFrom(QUESTION_RUBRIC)
                .where(QUESTION_RUBRIC.QUESTION_ID.eq(questionId))
                .execute();
        if (rubricId != null) {
            writing.insertInto(QUESTION_RUBRIC)
                    .set(QUESTION_RUBRIC.QUESTION_ID, questionId)
                    .set(QUESTION_RUBRIC.RUBRIC_ID, rubricId)
                    .execute();
        }
    }

    /** The levels of an answer, by criterion. */
    List<Level> levels(String answerId) {
        return looking.selectFrom(RUBRIC_MARK)
                .where(RUBRIC_MARK.ANSWER_ID.eq(answerId))
                .orderBy(RUBRIC_MARK.CRITERION)
                .fetch(RubricStore::level);
    }

    private static Level level(RubricMarkRecord row) {
        return new Level(row.getCriterion(), row.getLevel(), row.getName(), row.getWords(), row.getSoundHash());
    }

    void setLevels(String answerId, String teacherId, List<Level> levels, long now) {
        writing.deleteFrom(RUBRIC_MARK)
                .where(RUBRIC_MARK.ANSWER_ID.eq(answerId))
                .execute();
        for (Level level : levels) {
            writing.insertInto(RUBRIC_MARK)
                    .set(RUBRIC_MARK.ANSWER_ID, answerId)
                    .set(RUBRIC_MARK.CRITERION, level.criterion())
                    .set(RUBRIC_MARK.LEVEL, level.level())
                    .set(RUBRIC_MARK.NAME, level.name())
                    .set(RUBRIC_MARK.WORDS, level.words())
                    .set(RUBRIC_MARK.SOUND_HASH, level.soundHash())
                    .set(RUBRIC_MARK.TEACHER_ID, teacherId)
                    .set(RUBRIC_MARK.AT, now)
                    .execute();
        }
    }

    /** @param studentId null: to all */
    void give(String teacherId, String assignmentId, String studentId, long now) {
        writing.update(RUBRIC_MARK)
                .set(RUBRIC_MARK.GIVEN_AT, now)
                .where(waiting(teacherId, assignmentId, studentId))
                .execute();
    }

    /** The words of her levels that are read alone. */
    List<String> silent(String teacherId, String assignmentId) {
        return looking.selectDistinct(RUBRIC_MARK.WORDS)
                .from(RUBRIC_MARK)
                .where(waiting(teacherId, assignmentId, null), RUBRIC_MARK.SOUND_HASH.isNull())
                .fetch(RUBRIC_MARK.WORDS);
    }

    /** Her levels that say this, and aren't met as yet, are heard. */
    void voice(String teacherId, String assignmentId, String words, String soundHash) {
        writing.update(RUBRIC_MARK)
                .set(RUBRIC_MARK.SOUND_HASH, soundHash)
                .where(
                        waiting(teacherId, assignmentId, null),
                        RUBRIC_MARK.WORDS.eq(words),
                        RUBRIC_MARK.SOUND_HASH.isNull())
                .execute();
    }

    /** How many answers a teacher judged whose children can't meet that as yet. */
    int waiting(String teacherId, String assignmentId) {
        return looking.select(countDistinct(RUBRIC_MARK.ANSWER_ID))
                .from(RUBRIC_MARK)
                .where(waiting(teacherId, assignmentId, null))
                .fetchSingle()
                .value1();
    }

    private static Condition waiting(String teacherId, String assignmentId, String studentId) {
        Condition to = RESPONSE.ASSIGNMENT_ID.eq(assignmentId);
        return RUBRIC_MARK
                .GIVEN_AT
                .isNull()
                .and(RUBRIC_MARK.TEACHER_ID.eq(teacherId))
                .and(RUBRIC_MARK.ANSWER_ID.in(select(ANSWER.ID)
                        .from(ANSWER)
                        .join(RESPONSE)
                        .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                        .where(studentId == null ? to : to.and(RESPONSE.STUDENT_ID.eq(studentId)))));
    }

    /** The assignments in which a child may meet something. */
    List<String> givenIn(String studentId) {
        return looking.selectDistinct(RESPONSE.ASSIGNMENT_ID)
                .from(RUBRIC_MARK)
                .join(ANSWER)
                .on(ANSWER.ID.eq(RUBRIC_MARK.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .where(RESPONSE.STUDENT_ID.eq(studentId), RUBRIC_MARK.GIVEN_AT.isNotNull())
                .fetch(RESPONSE.ASSIGNMENT_ID);
    }

    /** What a child may meet of an assignment, by question. */
    Map<String, List<Level>> given(String assignmentId, String studentId) {
        return looking
                .select(ANSWER.QUESTION_ID)
                .select(RUBRIC_MARK.fields())
                .from(RUBRIC_MARK)
                .join(ANSWER)
                .on(ANSWER.ID.eq(RUBRIC_MARK.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .where(
                        RESPONSE.ASSIGNMENT_ID.eq(assignmentId),
                        RESPONSE.STUDENT_ID.eq(studentId),
                        RUBRIC_MARK.GIVEN_AT.isNotNull())
                .orderBy(ANSWER.NUMBER, RUBRIC_MARK.CRITERION)
                .fetch()
                .stream()
                .collect(Collectors.groupingBy(
                        row -> row.get(ANSWER.QUESTION_ID),
                        Collectors.mapping(row -> level(row.into(RUBRIC_MARK)), Collectors.toList())));
    }
}
