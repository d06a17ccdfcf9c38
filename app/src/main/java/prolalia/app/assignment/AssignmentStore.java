package prolalia.app.assignment;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.min;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.ASSIGNMENT_TO;
import static prolalia.app.platform.db.Tables.GROUP_STUDENT;
import static prolalia.app.platform.db.Tables.HEARD_LINE;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.VISIT;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Result;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.KeptTakes;
import prolalia.core.classroom.Due;

@Repository
class AssignmentStore {
    private static final prolalia.app.platform.db.tables.Line TITLE = LINE.as("title_line");
    private static final prolalia.app.platform.db.tables.Line DIRECTION = LINE.as("direction_line");
    private static final prolalia.app.platform.db.tables.Take TITLE_TAKE = TAKE.as("title_take");
    private static final prolalia.app.platform.db.tables.Take DIRECTION_TAKE = TAKE.as("direction_take");

    private final DSLContext writing;
    private final DSLContext looking;

    AssignmentStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /**
     * What a child did with an assignment.
     *
     * @param heard the lines that she heard, by how often
     * @param handedIn whether she handed in what she answered
     */
    record Done(long openedAt, long lastAt, Map<String, Integer> heard, boolean handedIn) {}

    /** What was given to a class and is there, the first on a child's page first. */
    List<Assignment> ofClass(String classId) {
        return where(ASSIGNMENT.CLASS_ID.eq(classId).and(ASSIGNMENT.TAKEN_BACK_AT.isNull()));
    }

    /** To whom a lesson is given. */
    List<Assignment> ofLesson(LessonRef lesson) {
        return where(ASSIGNMENT.LESSON_ID.eq(lesson.id()).and(ASSIGNMENT.TAKEN_BACK_AT.isNull()));
    }

    /** Taken back or not. */
    List<Assignment> everOfLesson(LessonRef lesson) {
        return where(ASSIGNMENT.LESSON_ID.eq(lesson.id()));
    }

    /** Taken back or not. */
    Optional<Assignment> find(String id) {
        return where(ASSIGNMENT.ID.eq(id)).stream().findFirst();
    }

    private List<Assignment> where(Condition condition) {
        Result<? extends Record> rows = looking.select(
                        ASSIGNMENT.asterisk(),
                        LESSON.TITLE,
                        LESSON.REVISION,
                        DIRECTION.WORDS,
                        TITLE_TAKE.SOUND_HASH,
                        DIRECTION_TAKE.SOUND_HASH)
                .from(ASSIGNMENT)
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .join(TITLE)
                .on(TITLE.ID.eq(ASSIGNMENT.TITLE_LINE_ID))
                .leftJoin(TITLE_TAKE)
                .on(TITLE_TAKE.ID.eq(KeptTakes.of(TITLE.ID)))
                .leftJoin(DIRECTION)
                .on(DIRECTION.ID.eq(ASSIGNMENT.DIRECTION_LINE_ID))
                .leftJoin(DIRECTION_TAKE)
                .on(DIRECTION_TAKE.ID.eq(KeptTakes.of(DIRECTION.ID)))
                .where(condition, LESSON.REMOVED_AT.isNull())
                .orderBy(ASSIGNMENT.POSITION.desc())
                .fetch();
        var to = looking.selectFrom(ASSIGNMENT_TO)
                .where(ASSIGNMENT_TO.ASSIGNMENT_ID.in(rows.getValues(ASSIGNMENT.ID)))
                .fetchGroups(ASSIGNMENT_TO.ASSIGNMENT_ID);
        return rows.stream()
                .map(row -> {
                    var targets = to.get(row.get(ASSIGNMENT.ID));
                    return assignment(
                            row,
                            targets == null
                                    ? List.of()
                                    : targets.stream()
                                            .map(each -> each.getGroupId())
                                            .filter(Objects::nonNull)
                                            .toList(),
                            targets == null
                                    ? List.of()
                                    : targets.stream()
                                            .map(each -> each.getStudentId())
                                            .filter(Objects::nonNull)
                                            .toList());
                })
                .toList();
    }

    private static Assignment assignment(Record row, List<String> groups, List<String> students) {
        String pages = row.get(ASSIGNMENT.PAGES);
        return new Assignment(
                row.get(ASSIGNMENT.ID),
                row.get(ASSIGNMENT.LESSON_ID),
                row.get(LESSON.TITLE),
                row.get(LESSON.REVISION),
                row.get(ASSIGNMENT.CLASS_ID),
                row.get(ASSIGNMENT.TEACHER_ID),
                row.get(ASSIGNMENT.TITLE_LINE_ID),
                row.get(TITLE_TAKE.SOUND_HASH),
                row.get(ASSIGNMENT.DIRECTION_LINE_ID),
                row.get(DIRECTION.WORDS),
                row.get(DIRECTION_TAKE.SOUND_HASH),
                pages.isEmpty() ? List.of() : Arrays.asList(pages.split(" ")),
                new Due(row.get(ASSIGNMENT.STARTS_AT), row.get(ASSIGNMENT.ENDS_AT)),
                row.get(ASSIGNMENT.TO_ALL),
                groups,
                students,
                row.get(ASSIGNMENT.MADE_AT),
                row.get(ASSIGNMENT.TAKEN_BACK_AT) != null);
    }

    void add(Assignment made) {
        int position = writing.select(coalesce(max(ASSIGNMENT.POSITION), 0))
                .from(ASSIGNMENT)
                .where(ASSIGNMENT.CLASS_ID.eq(made.classId()))
                .fetchSingle()
                .value1();
        writing.insertInto(ASSIGNMENT)
                .set(ASSIGNMENT.ID, made.id())
                .set(ASSIGNMENT.LESSON_ID, made.lessonId())
                .set(ASSIGNMENT.CLASS_ID, made.classId())
                .set(ASSIGNMENT.TEACHER_ID, made.teacherId())
                .set(ASSIGNMENT.TITLE_LINE_ID, made.titleLineId())
                .set(ASSIGNMENT.DIRECTION_LINE_ID, made.directionLineId())
                .set(ASSIGNMENT.TO_ALL, made.toAll())
                .set(ASSIGNMENT.PAGES, String.join(" ", made.pageIds()))
                .set(ASSIGNMENT.STARTS_AT, made.due().startsAt())
                .set(ASSIGNMENT.ENDS_AT, made.due().endsAt())
                .set(ASSIGNMENT.POSITION, position + 1)
                .set(ASSIGNMENT.MADE_AT, made.madeAt())
                .execute();
        made.toGroups()
                .forEach(group -> writing.insertInto(ASSIGNMENT_TO)
                        .set(ASSIGNMENT_TO.ASSIGNMENT_ID, made.id())
                        .set(ASSIGNMENT_TO.GROUP_ID, group)
                        .execute());
        made.toStudents()
                .forEach(student -> writing.insertInto(ASSIGNMENT_TO)
                        .set(ASSIGNMENT_TO.ASSIGNMENT_ID, made.id())
                        .set(ASSIGNMENT_TO.STUDENT_ID, student)
                        .execute());
    }

    /** @param at null: it is there again */
    void setTakenBack(String id, Long at) {
        writing.update(ASSIGNMENT)
                .set(ASSIGNMENT.TAKEN_BACK_AT, at)
                .where(ASSIGNMENT.ID.eq(id))
                .execute();
    }

    /** Before all others on a child's page. */
    void toTheTop(Assignment first) {
        int position = writing.select(max(ASSIGNMENT.POSITION))
                .from(ASSIGNMENT)
                .where(ASSIGNMENT.CLASS_ID.eq(first.classId()))
                .fetchSingle()
                .value1();
        writing.update(ASSIGNMENT)
                .set(ASSIGNMENT.POSITION, position + 1)
                .where(ASSIGNMENT.ID.eq(first.id()))
                .execute();
    }

    Set<String> groupsOf(String studentId) {
        return new HashSet<>(looking.select(GROUP_STUDENT.GROUP_ID)
                .from(GROUP_STUDENT)
                .where(GROUP_STUDENT.STUDENT_ID.eq(studentId))
                .fetch(GROUP_STUDENT.GROUP_ID));
    }

    /** What children did with assignments, by the ids of both. */
    Map<String, Map<String, Done>> done(List<String> assignmentIds) {
        Map<String, Map<String, Done>> done = new HashMap<>();
        looking.select(VISIT.fields())
                .select(RESPONSE.HANDED_IN_AT)
                .from(VISIT)
                .leftJoin(RESPONSE)
                .on(RESPONSE.ASSIGNMENT_ID.eq(VISIT.ASSIGNMENT_ID), RESPONSE.STUDENT_ID.eq(VISIT.STUDENT_ID))
                .where(VISIT.ASSIGNMENT_ID.in(assignmentIds))
                .forEach(row -> done.computeIfAbsent(row.get(VISIT.ASSIGNMENT_ID), unseen -> new HashMap<>())
                        .put(
                                row.get(VISIT.STUDENT_ID),
                                new Done(
                                        row.get(VISIT.OPENED_AT),
                                        row.get(VISIT.LAST_AT),
                                        new HashMap<>(),
                                        row.get(RESPONSE.HANDED_IN_AT) != null)));
        looking.selectFrom(HEARD_LINE)
                .where(HEARD_LINE.ASSIGNMENT_ID.in(assignmentIds), HEARD_LINE.TIMES.gt(0))
                .forEach(row -> Optional.ofNullable(done.get(row.getAssignmentId()))
                        .map(byStudent -> byStudent.get(row.getStudentId()))
                        .ifPresent(each -> each.heard().put(row.getLineId(), row.getTimes())));
        return done;
    }

    /** When the oldest of what children did with something was done last. */
    Optional<Long> oldest(List<String> assignmentIds) {
        return Optional.ofNullable(looking.select(min(VISIT.LAST_AT))
                .from(VISIT)
                .where(VISIT.ASSIGNMENT_ID.in(assignmentIds))
                .fetchSingle()
                .value1());
    }

    /** What children did last before a time goes. @return how many of them it was with something */
    @Transactional
    public int forgetBefore(long when) {
        writing.deleteFrom(HEARD_LINE).where(HEARD_LINE.LAST_AT.lt(when)).execute();
        return writing.deleteFrom(VISIT).where(VISIT.LAST_AT.lt(when)).execute();
    }

    void visited(String assignmentId, String studentId, long at) {
        writing.insertInto(VISIT)
                .set(VISIT.ASSIGNMENT_ID, assignmentId)
                .set(VISIT.STUDENT_ID, studentId)
                .set(VISIT.OPENED_AT, at)
                .set(VISIT.LAST_AT, at)
                .onConflict(VISIT.ASSIGNMENT_ID, VISIT.STUDENT_ID)
                .doUpdate()
                .set(VISIT.LAST_AT, at)
                .execute();
    }

    void heard(String assignmentId, String studentId, String lineId, long at) {
        writing.insertInto(HEARD_LINE)
                .set(HEARD_LINE.ASSIGNMENT_ID, assignmentId)
                .set(HEARD_LINE.STUDENT_ID, studentId)
                .set(HEARD_LINE.LINE_ID, lineId)
                .set(HEARD_LINE.TIMES, 1)
                .set(HEARD_LINE.LAST_AT, at)
                .set(HEARD_LINE.FIRST_AT, at)
                .set(HEARD_LINE.WHOLE_AT, at)
                .onConflict(HEARD_LINE.ASSIGNMENT_ID, HEARD_LINE.STUDENT_ID, HEARD_LINE.LINE_ID)
                .doUpdate()
                .set(HEARD_LINE.TIMES, HEARD_LINE.TIMES.plus(1))
                .set(HEARD_LINE.LAST_AT, at)
                .set(HEARD_LINE.WHOLE_AT, coalesce(HEARD_LINE.WHOLE_AT, at))
                .execute();
    }

    /** Some of a line was heard. @param percent less than all of it */
    void heardPart(String assignmentId, String studentId, String lineId, int percent, long at) {
        writing.insertInto(HEARD_LINE)
                .set(HEARD_LINE.ASSIGNMENT_ID, assignmentId)
                .set(HEARD_LINE.STUDENT_ID, studentId)
                .set(HEARD_LINE.LINE_ID, lineId)
                .set(HEARD_LINE.TIMES, 0)
                .set(HEARD_LINE.LAST_AT, at)
                .set(HEARD_LINE.FIRST_AT, at)
                .set(HEARD_LINE.PART_PERCENT, percent)
                .onConflict(HEARD_LINE.ASSIGNMENT_ID, HEARD_LINE.STUDENT_ID, HEARD_LINE.LINE_ID)
                .doUpdate()
                .set(HEARD_LINE.PART_PERCENT, greatest(HEARD_LINE.PART_PERCENT, inline(percent)))
                .set(HEARD_LINE.LAST_AT, at)
                .execute();
    }

    /** All that was heard of an assignment. */
    List<HeardLine> heardLines(String assignmentId) {
        return looking.selectFrom(HEARD_LINE)
                .where(HEARD_LINE.ASSIGNMENT_ID.eq(assignmentId))
                .fetch(row -> new HeardLine(
                        row.getStudentId(),
                        row.getLineId(),
                        row.getTimes(),
                        row.getPartPercent(),
                        row.getFirstAt() == null ? row.getLastAt() : row.getFirstAt(),
                        row.getTimes() == 0 ? null : row.getWholeAt() == null ? row.getLastAt() : row.getWholeAt()));
    }
}
