package prolalia.app.library;

import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.TAKE;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectField;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;

/** What a teacher has recorded in all her lessons, and where it is used. */
@Repository
class LibraryStore {
    private static final Field<String> KEPT = KeptTakes.of(LINE.ID).as("kept");

    private static final List<SelectField<?>> PLACE =
            List.of(LINE.ID, LESSON.ID, LESSON.TITLE, LESSON.SHELF, PAGE.POSITION, PAGE.TITLE, LINE.WORDS, KEPT);

    private final DSLContext looking;

    LibraryStore(@Qualifier("looking") DSLContext looking) {
        this.looking = looking;
    }

    /**
     * Where a take lies or is heard.
     *
     * @param page from 1
     * @param folder of the shelf, null when the page has no name
     * @param silent whether nothing is heard there
     */
    record Place(
            String lineId,
            String lessonId,
            String lesson,
            boolean shelf,
            int page,
            String folder,
            String words,
            boolean silent) {}

    /** A take by its name. */
    record NamedTake(String id, String words, Place place) {}

    /** All takes of a teacher, newest first. */
    List<NamedTake> takes(String teacherId) {
        return looking.select(PLACE)
                .select(TAKE.ID, TAKE.WORDS)
                .from(TAKE)
                .join(LINE)
                .on(LINE.ID.eq(TAKE.LINE_ID))
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(LESSON.TEACHER_ID.eq(teacherId), TAKE.REMOVED_AT.isNull())
                .orderBy(TAKE.CREATED_AT.desc(), TAKE.ID)
                .fetch(row -> new NamedTake(row.get(TAKE.ID), row.get(TAKE.WORDS), place(row)));
    }

    /** The lines on which these takes are heard, by take. */
    Map<String, List<Place>> usesOf(Collection<String> takeIds) {
        return places(KeptTakes.isOneOf(LINE.ID, takeIds), KEPT);
    }

    /** The lines that follow these standing lines, by standing line. */
    Map<String, List<Place>> placesOf(Collection<String> standingLineIds) {
        return places(LINE.STANDING_LINE_ID.in(standingLineIds), LINE.STANDING_LINE_ID);
    }

    private Map<String, List<Place>> places(Condition which, Field<String> by) {
        return looking.select(PLACE)
                .select(by)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(PAGE.LESSON_ID))
                .where(which, LINE.REMOVED_AT.isNull(), PAGE.REMOVED_AT.isNull(), LESSON.REMOVED_AT.isNull())
                .orderBy(LESSON.TITLE, PAGE.POSITION, LINE.POSITION)
                .fetchGroups(by, LibraryStore::place);
    }

    private static Place place(Record row) {
        return new Place(
                row.get(LINE.ID),
                row.get(LESSON.ID),
                row.get(LESSON.TITLE),
                row.get(LESSON.SHELF),
                row.get(PAGE.POSITION) + 1,
                row.get(PAGE.TITLE),
                row.get(LINE.WORDS),
                row.get(KEPT) == null);
    }
}
