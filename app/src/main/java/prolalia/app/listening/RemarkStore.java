package prolalia.app.listening;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.nullif;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.REMARK;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.SPOKEN;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Result;
import org.jooq.SelectOnConditionStep;
import org.jooq.SelectSelectStep;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.classroom.Replies;
import prolalia.app.platform.KeptTakes;
import prolalia.core.remark.RemarkPlace;
import prolalia.core.remark.Stamp;
import prolalia.core.sound.AnswerCheck;
import tools.jackson.databind.json.JsonMapper;

/** Remarks. None is changed once it is made; one that was taken back isn't there any more. */
@Repository
class RemarkStore implements Replies {
    /** Its line may be corrected after it was typed. */
    private static final Field<String> WORDS =
            coalesce(nullif(LINE.WORDS, ""), REMARK.WORDS).as("as_it_is");

    private static final Field<String> HEARD = coalesce(REMARK.SOUND_HASH, nullif(TAKE.SOUND_HASH, TAKE.ORIGINAL_HASH))
            .as("heard");
    private static final Field<Long> LASTS =
            coalesce(REMARK.DURATION_MS, TAKE.DURATION_MS).as("lasts");

    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    RemarkStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    /** To any answer to a question of a response, the oldest first. */
    List<Remark> of(String responseId, String questionId) {
        return fetch(ANSWER.RESPONSE_ID.eq(responseId).and(ANSWER.QUESTION_ID.eq(questionId)));
    }

    List<Remark> ofAssignment(String assignmentId) {
        return fetch(RESPONSE.ASSIGNMENT_ID.eq(assignmentId));
    }

    List<Remark> ofChild(String assignmentId, String studentId) {
        return fetch(RESPONSE.ASSIGNMENT_ID.eq(assignmentId).and(RESPONSE.STUDENT_ID.eq(studentId)));
    }

    Optional<Remark> find(String assignmentId, String remarkId) {
        return fetch(RESPONSE.ASSIGNMENT_ID.eq(assignmentId).and(REMARK.ID.eq(remarkId))).stream()
                .findFirst();
    }

    private List<Remark> fetch(Condition which) {
        return looking.select(REMARK.fields())
                .select(ANSWER.QUESTION_ID, RESPONSE.STUDENT_ID, TEACHER.FULL_NAME)
                .select(WORDS, HEARD, LASTS, SPOKEN.CHECKS)
                .from(REMARK)
                .join(ANSWER)
                .on(ANSWER.ID.eq(REMARK.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .leftJoin(TEACHER)
                .on(TEACHER.ID.eq(REMARK.TEACHER_ID))
                .leftJoin(SPOKEN)
                .on(SPOKEN.ID.eq(REMARK.ID))
                .leftJoin(LINE)
                .on(LINE.ID.eq(REMARK.LINE_ID))
                .leftJoin(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(which, REMARK.REMOVED_AT.isNull())
                .orderBy(REMARK.MADE_AT, REMARK.ID)
                .fetch(this::remark);
    }

    private Remark remark(Record row) {
        String place = row.get(REMARK.PLACE);
        return new Remark(
                row.get(REMARK.ID),
                row.get(REMARK.ANSWER_ID),
                row.get(ANSWER.QUESTION_ID),
                row.get(RESPONSE.STUDENT_ID),
                row.get(REMARK.TEACHER_ID),
                row.get(TEACHER.FULL_NAME),
                row.get(WORDS),
                row.get(REMARK.STAMP) == null ? null : Stamp.valueOf(row.get(REMARK.STAMP)),
                row.get(REMARK.LINE_ID),
                row.get(HEARD),
                row.get(LASTS),
                AnswerCheck.read(row.get(SPOKEN.CHECKS)),
                place == null ? RemarkPlace.WHOLE : json.readValue(place, RemarkPlace.class),
                row.get(REMARK.MADE_AT),
                row.get(REMARK.GIVEN_AT),
                row.get(REMARK.MET_AT));
    }

    /** Made twice with the same id, it is one. */
    void add(Remark remark) {
        writing.insertInto(REMARK)
                .set(REMARK.ID, remark.id())
                .set(REMARK.ANSWER_ID, remark.answerId())
                .set(REMARK.TEACHER_ID, remark.teacherId())
                .set(REMARK.STUDENT_ID, remark.isByChild() ? remark.studentId() : null)
                .set(REMARK.WORDS, remark.words())
                .set(
                        REMARK.STAMP,
                        remark.stamp() == null ? null : remark.stamp().name())
                .set(REMARK.LINE_ID, remark.lineId())
                .set(REMARK.SOUND_HASH, remark.soundHash())
                .set(REMARK.DURATION_MS, remark.durationMs())
                .set(REMARK.PLACE, remark.place().isWhole() ? null : json.writeValueAsString(remark.place()))
                .set(REMARK.MADE_AT, remark.madeAt())
                .set(REMARK.GIVEN_AT, remark.givenAt())
                .onConflictDoNothing()
                .execute();
    }

    /** It was said on, or sounds otherwise. */
    void resound(String remarkId, String soundHash, long durationMs) {
        writing.update(REMARK)
                .set(REMARK.SOUND_HASH, soundHash)
                .set(REMARK.DURATION_MS, durationMs)
                .where(REMARK.ID.eq(remarkId))
                .execute();
    }

    void remove(String remarkId, long now) {
        writing.update(REMARK)
                .set(REMARK.REMOVED_AT, now)
                .where(REMARK.ID.eq(remarkId))
                .execute();
    }

    /** The line of a teacher's remarks to a class that has these words. */
    Optional<String> lineOf(String teacherId, String classId, String words) {
        return ofGiven(looking.select(LINE.ID))
                .join(LINE)
                .on(LINE.ID.eq(REMARK.LINE_ID))
                .where(
                        REMARK.TEACHER_ID.eq(teacherId),
                        ASSIGNMENT.CLASS_ID.eq(classId),
                        LINE.WORDS.eq(words),
                        LINE.REMOVED_AT.isNull())
                .limit(1)
                .fetchOptional(LINE.ID);
    }

    /** Whether a line is still said in a remark. */
    boolean isSaid(String lineId) {
        return looking.fetchExists(REMARK, REMARK.LINE_ID.eq(lineId), REMARK.REMOVED_AT.isNull());
    }

    int give(Collection<String> remarkIds, long now) {
        return writing.update(REMARK)
                .set(REMARK.GIVEN_AT, now)
                .where(REMARK.ID.in(remarkIds), REMARK.GIVEN_AT.isNull())
                .execute();
    }

    void met(Collection<String> remarkIds, long now) {
        writing.update(REMARK)
                .set(REMARK.MET_AT, now)
                .where(REMARK.ID.in(remarkIds), REMARK.MET_AT.isNull())
                .execute();
    }

    /** At which answers a child said something that nobody heard as yet: each as student/question. */
    Set<String> repliedTo(String assignmentId) {
        return replies(ASSIGNMENT.ID.eq(assignmentId)).stream()
                .map(row -> row.get(RESPONSE.STUDENT_ID) + "/" + row.get(ANSWER.QUESTION_ID))
                .collect(Collectors.toSet());
    }

    @Override
    public Map<String, Integer> byClass(Collection<String> classIds) {
        return counted(replies(ASSIGNMENT.CLASS_ID.in(classIds)), ASSIGNMENT.CLASS_ID);
    }

    @Override
    public Map<String, Integer> byAssignment(String classId) {
        return counted(replies(ASSIGNMENT.CLASS_ID.eq(classId)), ASSIGNMENT.ID);
    }

    /** Remarks with the answer, the response and what was given that they belong to. */
    private static <R extends Record> SelectOnConditionStep<R> ofGiven(SelectSelectStep<R> chosen) {
        return chosen.from(REMARK)
                .join(ANSWER)
                .on(ANSWER.ID.eq(REMARK.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(RESPONSE.ASSIGNMENT_ID));
    }

    private Result<?> replies(Condition which) {
        return ofGiven(looking.select(ASSIGNMENT.ID, ASSIGNMENT.CLASS_ID, RESPONSE.STUDENT_ID, ANSWER.QUESTION_ID))
                .where(which, REMARK.TEACHER_ID.isNull(), REMARK.MET_AT.isNull(), REMARK.REMOVED_AT.isNull())
                .and(ASSIGNMENT.TAKEN_BACK_AT.isNull())
                .fetch();
    }

    private static Map<String, Integer> counted(Result<?> replies, Field<String> by) {
        return replies.stream().collect(Collectors.groupingBy(row -> row.get(by), Collectors.summingInt(row -> 1)));
    }

    /** How many remarks there are that a child hasn't met, and how many in all, by assignment. */
    Map<String, Counted> counted(String studentId) {
        return ofGiven(looking.select(
                        RESPONSE.ASSIGNMENT_ID, DSL.count(), DSL.count().filterWhere(REMARK.MET_AT.isNull())))
                .where(
                        RESPONSE.STUDENT_ID.eq(studentId),
                        REMARK.TEACHER_ID.isNotNull(),
                        REMARK.GIVEN_AT.isNotNull(),
                        REMARK.REMOVED_AT.isNull())
                .groupBy(RESPONSE.ASSIGNMENT_ID)
                .fetchMap(RESPONSE.ASSIGNMENT_ID, row -> new Counted(row.value2(), row.value3()));
    }

    record Counted(int all, int unmet) {}
}
