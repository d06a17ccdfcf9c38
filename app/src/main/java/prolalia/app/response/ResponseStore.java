package prolalia.app.response;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.min;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ANSWER_NOTE;
import static prolalia.app.platform.db.Tables.ANSWER_PICTURE;
import static prolalia.app.platform.db.Tables.ANSWER_STATE;
import static prolalia.app.platform.db.Tables.OVERRULING;
import static prolalia.app.platform.db.Tables.REMARK;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.RUBRIC_MARK;
import static prolalia.app.platform.db.Tables.SPOKEN;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.time.Duration;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.Ids;
import prolalia.app.platform.db.tables.Answer;
import prolalia.app.platform.db.tables.records.ResponseRecord;
import prolalia.app.response.StoredAnswer.Overruled;
import prolalia.core.answer.AnswerContent;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;
import tools.jackson.databind.json.JsonMapper;

/**
 * Responses and their answers. The newest of a question holds. None is changed, and none is taken away but for a state of
 * something that is typed or drawn, which the next one takes the place of.
 */
@Repository
class ResponseStore {
    private static final Answer LATER = ANSWER.as("later");

    /** A device that was offline for longer sends nothing of what it had sent before. */
    private static final Duration STATES_KNOWN = Duration.ofDays(30);

    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    ResponseStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    /**
     * A part of a spoken answer, as it is heard.
     *
     * @param checks what makes it hard to hear
     * @param skips pauses that need not be played
     */
    record Spoken(
            String recordingId,
            String questionId,
            String soundHash,
            long durationMs,
            Peaks peaks,
            List<AnswerCheck> checks,
            List<Span> skips) {}

    private static List<Span> skips(String stored) {
        return Arrays.stream(stored.split(" "))
                .filter(each -> !each.isEmpty())
                .map(each -> each.split("-"))
                .map(ends -> new Span(Long.parseLong(ends[0]), Long.parseLong(ends[1])))
                .toList();
    }

    Optional<StoredResponse> find(String assignmentId, String studentId) {
        return looking.selectFrom(RESPONSE)
                .where(RESPONSE.ASSIGNMENT_ID.eq(assignmentId), RESPONSE.STUDENT_ID.eq(studentId))
                .fetchOptional(ResponseStore::response);
    }

    Optional<StoredResponse> byId(String responseId) {
        return looking.selectFrom(RESPONSE).where(RESPONSE.ID.eq(responseId)).fetchOptional(ResponseStore::response);
    }

    private static StoredResponse response(ResponseRecord row) {
        return new StoredResponse(
                row.getId(),
                row.getAssignmentId(),
                row.getStudentId(),
                row.getBegunAt(),
                row.getLastAt(),
                row.getHandedInAt());
    }

    /** The response of a student, begun now if it wasn't. */
    StoredResponse begun(String assignmentId, String studentId, long now) {
        writing.insertInto(RESPONSE)
                .set(RESPONSE.ID, Ids.newId())
                .set(RESPONSE.ASSIGNMENT_ID, assignmentId)
                .set(RESPONSE.STUDENT_ID, studentId)
                .set(RESPONSE.BEGUN_AT, now)
                .set(RESPONSE.LAST_AT, now)
                .onConflictDoNothing()
                .execute();
        return find(assignmentId, studentId).orElseThrow();
    }

    /** All responses to something that was given. */
    List<StoredResponse> ofAssignment(String assignmentId) {
        return looking.selectFrom(RESPONSE)
                .where(RESPONSE.ASSIGNMENT_ID.eq(assignmentId))
                .fetch(ResponseStore::response);
    }

    /** How much lies there of a response. @param unknown answers to what is no question of the lesson */
    record Load(int answers, int unknown) {}

    Load load(String responseId, Collection<String> questionIds) {
        return new Load(
                looking.fetchCount(ANSWER, ANSWER.RESPONSE_ID.eq(responseId)),
                looking.fetchCount(ANSWER, ANSWER.RESPONSE_ID.eq(responseId), ANSWER.QUESTION_ID.notIn(questionIds)));
    }

    /** Whether an answer came in already, also when a newer state of it took its place. */
    boolean has(String answerId) {
        return looking.fetchExists(ANSWER, ANSWER.ID.eq(answerId))
                || looking.fetchExists(ANSWER_STATE, ANSWER_STATE.ID.eq(answerId));
    }

    /** A newer state takes the place of one about which nobody said anything. @param now in epoch ms */
    void replace(StoredAnswer state, long now) {
        int gone = writing.deleteFrom(ANSWER)
                .where(ANSWER.ID.eq(state.id()), ANSWER.TRIED_AT.isNull())
                .and(notExists(selectOne().from(OVERRULING).where(OVERRULING.ANSWER_ID.eq(ANSWER.ID))))
                .and(notExists(selectOne().from(REMARK).where(REMARK.ANSWER_ID.eq(ANSWER.ID))))
                .and(notExists(selectOne().from(ANSWER_NOTE).where(ANSWER_NOTE.ANSWER_ID.eq(ANSWER.ID))))
                .and(notExists(selectOne().from(RUBRIC_MARK).where(RUBRIC_MARK.ANSWER_ID.eq(ANSWER.ID))))
                .execute();
        if (gone > 0) {
            writing.insertInto(ANSWER_STATE)
                    .set(ANSWER_STATE.ID, state.id())
                    .set(ANSWER_STATE.RESPONSE_ID, state.responseId())
                    .set(ANSWER_STATE.AT, now)
                    .execute();
        }
        writing.deleteFrom(ANSWER_STATE)
                .where(
                        ANSWER_STATE.RESPONSE_ID.eq(state.responseId()),
                        ANSWER_STATE.AT.lt(now - STATES_KNOWN.toMillis()))
                .execute();
    }

    void add(StoredAnswer answer) {
        var numbers = writing.select(coalesce(max(ANSWER.NUMBER), 0), coalesce(min(ANSWER.NUMBER), 1))
                .from(ANSWER)
                .where(ANSWER.RESPONSE_ID.eq(answer.responseId()), ANSWER.QUESTION_ID.eq(answer.questionId()))
                .fetchSingle();
        int number = answer.counts() ? Math.max(0, numbers.value1()) + 1 : Math.min(1, numbers.value2()) - 1;
        writing.insertInto(ANSWER)
                .set(ANSWER.ID, answer.id())
                .set(ANSWER.RESPONSE_ID, answer.responseId())
                .set(ANSWER.QUESTION_ID, answer.questionId())
                .set(ANSWER.NUMBER, number)
                .set(ANSWER.GIVEN, json.writeValueAsString(answer.given()))
                .set(ANSWER.ASKED, json.writeValueAsString(answer.asked()))
                .set(ANSWER.REVISION, answer.revision())
                .set(ANSWER.AT, answer.at())
                .set(ANSWER.POINTS, answer.points())
                .set(ANSWER.OUTCOME, answer.outcome().name())
                .set(ANSWER.CAME, answer.came() == null ? null : answer.came().name())
                .onConflictDoNothing()
                .execute();
        writing.update(RESPONSE)
                .set(RESPONSE.LAST_AT, answer.at())
                .where(RESPONSE.ID.eq(answer.responseId()))
                .execute();
    }

    /** The answers of a response that hold, by question. */
    Map<String, StoredAnswer> answers(String responseId) {
        return holding(ANSWER.RESPONSE_ID.eq(responseId)).getOrDefault(responseId, Map.of());
    }

    /** The answer to a question that holds; null: there is none. */
    StoredAnswer newest(String responseId, String questionId) {
        return holding(ANSWER.RESPONSE_ID.eq(responseId).and(ANSWER.QUESTION_ID.eq(questionId)))
                .getOrDefault(responseId, Map.of())
                .get(questionId);
    }

    /** The answers that hold, by response and question. */
    Map<String, Map<String, StoredAnswer>> answersOf(String assignmentId) {
        return holding(ANSWER.RESPONSE_ID.in(
                select(RESPONSE.ID).from(RESPONSE).where(RESPONSE.ASSIGNMENT_ID.eq(assignmentId))));
    }

    /**
     * What was answered to an assignment and may be worth something else by another key, whether it holds or was followed by more.
     *
     * @param byRule questions that a rule marks; of others, what nobody but a rule marked before
     */
    List<StoredAnswer> toBeMarked(String assignmentId, Collection<String> byRule) {
        return fetch(ANSWER.RESPONSE_ID
                .in(select(RESPONSE.ID).from(RESPONSE).where(RESPONSE.ASSIGNMENT_ID.eq(assignmentId)))
                .and(ANSWER.QUESTION_ID.in(byRule).or(ANSWER.OUTCOME.notIn(Outcome.OPEN.name(), Outcome.NONE.name()))));
    }

    private Map<String, Map<String, StoredAnswer>> holding(Condition which) {
        Map<String, Map<String, StoredAnswer>> byResponse = new HashMap<>();
        fetch(which.and(isLast()))
                .forEach(answer -> byResponse
                        .computeIfAbsent(answer.responseId(), unseen -> new HashMap<>())
                        .put(answer.questionId(), answer));
        return byResponse;
    }

    /** Of the answers to a question, the one that holds. */
    static Condition isLast() {
        return ANSWER.NUMBER
                .gt(0)
                .and(notExists(selectOne()
                        .from(LATER)
                        .where(
                                LATER.RESPONSE_ID.eq(ANSWER.RESPONSE_ID),
                                LATER.QUESTION_ID.eq(ANSWER.QUESTION_ID),
                                LATER.NUMBER.gt(ANSWER.NUMBER))));
    }

    /** All that was answered to one question, the newest first. */
    List<StoredAnswer> history(String responseId, String questionId) {
        return fetch(ANSWER.RESPONSE_ID.eq(responseId).and(ANSWER.QUESTION_ID.eq(questionId)));
    }

    private List<StoredAnswer> fetch(Condition which) {
        return looking.select(ANSWER.fields())
                .select(OVERRULING.POINTS, OVERRULING.REASON, OVERRULING.AT, TEACHER.FULL_NAME)
                .from(ANSWER)
                .leftJoin(OVERRULING)
                .on(OVERRULING.ANSWER_ID.eq(ANSWER.ID))
                .leftJoin(TEACHER)
                .on(TEACHER.ID.eq(OVERRULING.TEACHER_ID))
                .where(which)
                .orderBy(ANSWER.NUMBER.desc())
                .fetch(this::answer);
    }

    private StoredAnswer answer(Record row) {
        Double overruled = row.get(OVERRULING.POINTS);
        return new StoredAnswer(
                row.get(ANSWER.ID),
                row.get(ANSWER.RESPONSE_ID),
                row.get(ANSWER.QUESTION_ID),
                row.get(ANSWER.NUMBER),
                json.readValue(row.get(ANSWER.GIVEN), AnswerContent.class),
                json.readValue(row.get(ANSWER.ASKED), StoredAnswer.Words.class),
                row.get(ANSWER.REVISION),
                row.get(ANSWER.AT),
                row.get(ANSWER.TRIED_AT),
                row.get(ANSWER.POINTS),
                Outcome.valueOf(row.get(ANSWER.OUTCOME)),
                row.get(ANSWER.CAME) == null ? null : StoredAnswer.Came.valueOf(row.get(ANSWER.CAME)),
                overruled == null
                        ? null
                        : new Overruled(
                                overruled,
                                row.get(OVERRULING.REASON),
                                row.get(TEACHER.FULL_NAME),
                                row.get(OVERRULING.AT)));
    }

    /** How often it was heard whether an answer to a question is right. */
    int tries(String responseId, String questionId) {
        return looking.fetchCount(
                ANSWER,
                ANSWER.RESPONSE_ID.eq(responseId),
                ANSWER.QUESTION_ID.eq(questionId),
                ANSWER.TRIED_AT.isNotNull());
    }

    void setTried(Collection<String> answerIds, long now) {
        writing.update(ANSWER)
                .set(ANSWER.TRIED_AT, now)
                .where(ANSWER.ID.in(answerIds), ANSWER.TRIED_AT.isNull())
                .execute();
    }

    void setHandedIn(String responseId, long now) {
        writing.update(RESPONSE)
                .set(RESPONSE.HANDED_IN_AT, now)
                .set(RESPONSE.LAST_AT, now)
                .where(RESPONSE.ID.eq(responseId))
                .execute();
    }

    /** A child can answer on, and hands in again. */
    void reopen(String responseId) {
        writing.update(RESPONSE)
                .setNull(RESPONSE.HANDED_IN_AT)
                .where(RESPONSE.ID.eq(responseId))
                .execute();
    }

    /** @param points null: what the rule says holds again */
    void overrule(String answerId, String teacherId, Double points, String reason, long now) {
        writing.deleteFrom(OVERRULING).where(OVERRULING.ANSWER_ID.eq(answerId)).execute();
        if (points != null) {
            writing.insertInto(OVERRULING)
                    .set(OVERRULING.ANSWER_ID, answerId)
                    .set(OVERRULING.TEACHER_ID, teacherId)
                    .set(OVERRULING.POINTS, points)
                    .set(OVERRULING.REASON, reason)
                    .set(OVERRULING.AT, now)
                    .execute();
        }
    }

    /** What was said in a response, by recording. */
    Map<String, Spoken> spoken(Collection<String> responseIds) {
        return spoken(responseIds.isEmpty() ? noCondition().not() : SPOKEN.RESPONSE_ID.in(responseIds));
    }

    /** Something that was said to an assignment. @param studentId by whom; null: by anybody */
    Optional<Spoken> spoken(String assignmentId, String studentId, String recordingId) {
        return Optional.ofNullable(spoken(SPOKEN.ID
                        .eq(recordingId)
                        .and(SPOKEN.RESPONSE_ID.in(select(RESPONSE.ID)
                                .from(RESPONSE)
                                .where(
                                        RESPONSE.ASSIGNMENT_ID.eq(assignmentId),
                                        studentId == null ? noCondition() : RESPONSE.STUDENT_ID.eq(studentId)))))
                .get(recordingId));
    }

    private Map<String, Spoken> spoken(Condition which) {
        return looking.selectFrom(SPOKEN)
                .where(which, SPOKEN.PURPOSE.eq("answer"), SPOKEN.SOUND_HASH.isNotNull())
                .fetchMap(
                        SPOKEN.ID,
                        row -> new Spoken(
                                row.getId(),
                                row.getQuestionId(),
                                row.getSoundHash(),
                                row.getDurationMs(),
                                new Peaks(row.getPeaks()),
                                AnswerCheck.read(row.getChecks()),
                                row.getSkips() == null ? List.of() : skips(row.getSkips())));
    }

    void addPicture(String responseId, String hash, String type, long now) {
        writing.insertInto(ANSWER_PICTURE)
                .set(ANSWER_PICTURE.RESPONSE_ID, responseId)
                .set(ANSWER_PICTURE.HASH, hash)
                .set(ANSWER_PICTURE.TYPE, type)
                .set(ANSWER_PICTURE.AT, now)
                .onConflictDoNothing()
                .execute();
    }

    /** The media type of a picture of a response. */
    Optional<String> pictureType(String responseId, String hash) {
        return looking.select(ANSWER_PICTURE.TYPE)
                .from(ANSWER_PICTURE)
                .where(ANSWER_PICTURE.RESPONSE_ID.eq(responseId), ANSWER_PICTURE.HASH.eq(hash))
                .fetchOptional(ANSWER_PICTURE.TYPE);
    }
}
