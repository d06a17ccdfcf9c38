package prolalia.app.history;

import static prolalia.app.platform.db.Tables.SCRIPT_CHANGE;

import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.SortField;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;
import tools.jackson.databind.json.JsonMapper;

/** The changes of each lesson in the order in which they were made. */
@Repository
class ChangeStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    ChangeStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    record StoredChange(int id, LessonChange change) {}

    /** What had been undone before can't be made again from here on. */
    void add(LessonRef lesson, LessonChange change, long now) {
        writing.deleteFrom(SCRIPT_CHANGE)
                .where(SCRIPT_CHANGE.LESSON_ID.eq(lesson.id()), SCRIPT_CHANGE.UNDONE.isTrue())
                .execute();
        writing.insertInto(SCRIPT_CHANGE)
                .set(SCRIPT_CHANGE.LESSON_ID, lesson.id())
                .set(SCRIPT_CHANGE.DEED, change.deed().name())
                .set(SCRIPT_CHANGE.LINES, change.size())
                .set(SCRIPT_CHANGE.CHANGE, json.writeValueAsString(change))
                .set(SCRIPT_CHANGE.MADE_AT, now)
                .set(SCRIPT_CHANGE.UNDONE, false)
                .execute();
    }

    /** Another change in place of the last one. */
    void replace(int id, LessonChange change, long now) {
        writing.update(SCRIPT_CHANGE)
                .set(SCRIPT_CHANGE.CHANGE, json.writeValueAsString(change))
                .set(SCRIPT_CHANGE.MADE_AT, now)
                .where(SCRIPT_CHANGE.ID.eq(id))
                .execute();
    }

    /** What undo takes back next. */
    Optional<StoredChange> lastMade(LessonRef lesson) {
        return first(lesson, SCRIPT_CHANGE.UNDONE.isFalse(), SCRIPT_CHANGE.ID.desc());
    }

    /** What was done last, if it was since a moment. */
    Optional<Done> doneSince(LessonRef lesson, long since) {
        return looking.select(SCRIPT_CHANGE.DEED, SCRIPT_CHANGE.LINES)
                .from(SCRIPT_CHANGE)
                .where(
                        SCRIPT_CHANGE.LESSON_ID.eq(lesson.id()),
                        SCRIPT_CHANGE.UNDONE.isFalse(),
                        SCRIPT_CHANGE.MADE_AT.ge(since))
                .orderBy(SCRIPT_CHANGE.ID.desc())
                .limit(1)
                .fetchOptional(
                        row -> new Done(Deed.valueOf(row.get(SCRIPT_CHANGE.DEED)), row.get(SCRIPT_CHANGE.LINES)));
    }

    /** What redo makes again next. */
    Optional<StoredChange> firstUndone(LessonRef lesson) {
        return first(lesson, SCRIPT_CHANGE.UNDONE.isTrue(), SCRIPT_CHANGE.ID.asc());
    }

    /** Whether there are changes that were taken back, or that weren't: without reading one. */
    boolean isAny(LessonRef lesson, boolean undone) {
        return looking.fetchExists(
                SCRIPT_CHANGE, SCRIPT_CHANGE.LESSON_ID.eq(lesson.id()), SCRIPT_CHANGE.UNDONE.eq(undone));
    }

    private Optional<StoredChange> first(LessonRef lesson, Condition which, SortField<Integer> order) {
        return looking.selectFrom(SCRIPT_CHANGE)
                .where(SCRIPT_CHANGE.LESSON_ID.eq(lesson.id()), which)
                .orderBy(order)
                .limit(1)
                .fetchOptional(
                        row -> new StoredChange(row.getId(), json.readValue(row.getChange(), LessonChange.class)));
    }

    void setUndone(int id, boolean undone) {
        writing.update(SCRIPT_CHANGE)
                .set(SCRIPT_CHANGE.UNDONE, undone)
                .where(SCRIPT_CHANGE.ID.eq(id))
                .execute();
    }
}
