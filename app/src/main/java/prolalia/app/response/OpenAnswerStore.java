package prolalia.app.response;

import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.min;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.OVERRULING;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.STUDENT;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.jooq.SelectSelectStep;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.core.marking.Mark.Outcome;

/** Answers that wait for somebody to mark them. */
@Repository
class OpenAnswerStore {
    private final DSLContext looking;

    OpenAnswerStore(@Qualifier("looking") DSLContext looking) {
        this.looking = looking;
    }

    /** How many answers nobody has marked as yet, by assignment; those without any are missing. */
    Map<String, Integer> byAssignment(Collection<String> assignmentIds) {
        return open(looking.select(ASSIGNMENT.ID, count()), ASSIGNMENT.ID.in(assignmentIds))
                .groupBy(ASSIGNMENT.ID)
                .fetchMap(ASSIGNMENT.ID, count());
    }

    /** The same by class and the child's name, of what was given and not taken back; who waits longest comes first. */
    Map<String, Map<String, Integer>> byClass(Collection<String> classIds) {
        Map<String, Map<String, Integer>> classes = new HashMap<>();
        open(
                        looking.select(ASSIGNMENT.CLASS_ID, STUDENT.NAME, count()),
                        ASSIGNMENT.CLASS_ID.in(classIds).and(ASSIGNMENT.TAKEN_BACK_AT.isNull()))
                .groupBy(ASSIGNMENT.CLASS_ID, STUDENT.ID)
                .orderBy(min(ANSWER.AT))
                .forEach(row -> classes.computeIfAbsent(row.value1(), unseen -> new LinkedHashMap<>())
                        .merge(row.value2(), row.value3(), Integer::sum));
        return classes;
    }

    private <R extends Record> SelectConditionStep<R> open(SelectSelectStep<R> chosen, Condition which) {
        return chosen.from(ANSWER)
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(RESPONSE.ASSIGNMENT_ID))
                .join(STUDENT)
                .on(STUDENT.ID.eq(RESPONSE.STUDENT_ID))
                .leftJoin(OVERRULING)
                .on(OVERRULING.ANSWER_ID.eq(ANSWER.ID))
                .where(
                        which,
                        ANSWER.OUTCOME.eq(Outcome.OPEN.name()),
                        OVERRULING.ANSWER_ID.isNull(),
                        ResponseStore.isLast());
    }
}
