package prolalia.app.pages;

import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAGE_SOURCE;

import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;

/** The files that pages were made of. */
@Repository
class PageSourceStore {
    private final DSLContext writing;
    private final DSLContext looking;

    PageSourceStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void add(String pageId, PageSource source) {
        writing.insertInto(PAGE_SOURCE)
                .set(PAGE_SOURCE.PAGE_ID, pageId)
                .set(PAGE_SOURCE.FILE_HASH, source.fileHash())
                .set(PAGE_SOURCE.TYPE, source.type().stored())
                .set(PAGE_SOURCE.NUMBER, source.number())
                .execute();
    }

    /** The sources of a lesson's pages of one type, by page. */
    Map<String, PageSource> ofLesson(LessonRef lesson, PageSource.Type type) {
        return looking.select(PAGE_SOURCE.PAGE_ID, PAGE_SOURCE.FILE_HASH, PAGE_SOURCE.NUMBER)
                .from(PAGE_SOURCE)
                .join(PAGE)
                .on(PAGE.ID.eq(PAGE_SOURCE.PAGE_ID))
                .where(PAGE.LESSON_ID.eq(lesson.id()), PAGE_SOURCE.TYPE.eq(type.stored()))
                .fetchMap(
                        row -> row.get(PAGE_SOURCE.PAGE_ID),
                        row -> new PageSource(row.get(PAGE_SOURCE.FILE_HASH), type, row.get(PAGE_SOURCE.NUMBER)));
    }
}
