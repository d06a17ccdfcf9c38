package prolalia.app.lesson;

import static prolalia.app.platform.db.Tables.KEPT_TAKE;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LESSON_SETTINGS;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAGE_SOURCE;
import static prolalia.app.platform.db.Tables.SPOKEN;
import static prolalia.app.platform.db.Tables.STAGE;
import static prolalia.app.platform.db.Tables.STAGE_PICTURE;
import static prolalia.app.platform.db.Tables.STAGE_VERSION;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.TAKE_EDITS;
import static prolalia.app.platform.db.Tables.TAKE_FINDING;
import static prolalia.app.platform.db.Tables.TAKE_WORD_TIMES;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.Ids;

/**
 * Copies a lesson with its pages, lines, takes and what is placed on it, as rows: sounds and pictures are named by what is in them,
 * and no file is copied. A line that has the words of a standing line has its own in the copy.
 */
@Repository
class LessonCopyStore {
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final DSLContext writing;

    LessonCopyStore(DSLContext writing) {
        this.writing = writing;
    }

    /** Answers the id of the copy. */
    String copy(LessonRef lesson, String toTeacherId, String title, int cover, long now) {
        Map<String, String> ids = new HashMap<>();
        String made = Ids.newId();
        ids.put(lesson.id(), made);
        writing.insertInto(LESSON)
                .set(LESSON.ID, made)
                .set(LESSON.TEACHER_ID, toTeacherId)
                .set(LESSON.TITLE, title)
                .set(LESSON.COVER, cover)
                .set(LESSON.CREATED_AT, now)
                .set(LESSON.CHANGED_AT, now)
                .execute();
        copy(LESSON_SETTINGS, LESSON_SETTINGS.LESSON_ID.eq(lesson.id()), ids);
        copy(STAGE_PICTURE, STAGE_PICTURE.LESSON_ID.eq(lesson.id()), ids);
        List<String> pages = ids(PAGE, PAGE.ID, PAGE.LESSON_ID.eq(lesson.id()).and(PAGE.REMOVED_AT.isNull()), ids);
        copy(PAGE, PAGE.ID.in(pages), ids);
        copy(PAGE_SOURCE, PAGE_SOURCE.PAGE_ID.in(pages), ids);
        List<String> lines = ids(LINE, LINE.ID, LINE.PAGE_ID.in(pages).and(LINE.REMOVED_AT.isNull()), ids);
        List<String> takes = ids(TAKE, TAKE.ID, TAKE.LINE_ID.in(lines).and(TAKE.REMOVED_AT.isNull()), ids);
        List<String> recordings = ids(
                SPOKEN,
                SPOKEN.ID,
                SPOKEN.ID.in(writing.select(TAKE.RECORDING_ID).from(TAKE).where(TAKE.ID.in(takes))),
                ids);
        copy(LINE, LINE.ID.in(lines), ids, Set.of(LINE.STANDING_LINE_ID));
        copy(SPOKEN, SPOKEN.ID.in(recordings), ids);
        copy(TAKE, TAKE.ID.in(takes), ids);
        copy(TAKE_FINDING, TAKE_FINDING.TAKE_ID.in(takes), ids);
        copy(TAKE_EDITS, TAKE_EDITS.TAKE_ID.in(takes), ids);
        copy(TAKE_WORD_TIMES, TAKE_WORD_TIMES.TAKE_ID.in(takes), ids);
        copy(KEPT_TAKE, KEPT_TAKE.LINE_ID.in(lines), ids);
        pages.add(lesson.id());
        copy(STAGE, STAGE.OWNER_ID.in(pages), ids);
        copy(
                STAGE_VERSION,
                STAGE_VERSION
                        .OWNER_ID
                        .in(pages)
                        .and(STAGE_VERSION.NUMBER.eq(writing.select(STAGE.VERSION)
                                .from(STAGE)
                                .where(STAGE.OWNER_ID.eq(STAGE_VERSION.OWNER_ID))
                                .asField())),
                ids);
        return made;
    }

    /** Gives each row a new id; answers the old ones. */
    private List<String> ids(Table<?> table, Field<String> id, Condition which, Map<String, String> ids) {
        List<String> old = writing.select(id).from(table).where(which).fetch(id);
        old.forEach(each -> ids.put(each, Ids.newId()));
        return old;
    }

    private void copy(Table<?> table, Condition which, Map<String, String> ids) {
        copy(table, which, ids, Set.of());
    }

    /** @param without columns that stay empty */
    private void copy(Table<?> table, Condition which, Map<String, String> ids, Set<Field<?>> without) {
        for (Record row : writing.selectFrom(table).where(which).fetch()) {
            Map<Field<?>, Object> values = new HashMap<>();
            for (Field<?> field : row.fields()) {
                Object value = row.get(field);
                boolean left = without.contains(field);
                values.put(field, left ? null : value instanceof String text ? renamed(text, ids) : value);
            }
            writing.insertInto(table).set(values).execute();
        }
    }

    /** Every id that a text names, such as JSON of what is placed on a page, is that of the copy. */
    private static String renamed(String text, Map<String, String> ids) {
        return ID.matcher(text).replaceAll(id -> ids.getOrDefault(id.group(), id.group()));
    }
}
